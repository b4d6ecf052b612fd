<x-error title="This page can’t be opened directly"
    what="It only works from a button on another page. Nothing was changed. Go to Today and start from there." />
