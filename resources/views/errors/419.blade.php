@php($what = 'For security, load the page again. Everything saved before is still there. '
    .'Entries that were not sent yet are safe on this device.')
<x-error title="This page was open too long" :what="$what" />
