<x-error title="Page not found"
    what="Either there is nothing at this address, or it belongs to a file you do not work on. Nothing was changed." />
