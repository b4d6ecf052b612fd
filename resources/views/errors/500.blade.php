@php($what = 'The problem is on our end, and it was logged. Everything saved before is still there, and nothing was changed halfway. '
    .'Try again. If it happens again, give your administrator the request number below.')
<x-error title="Something went wrong" :what="$what" />
