<x-error title="There is nothing here" what="Either there is nothing at this address, or it belongs to a file you do not serve. Nothing was changed." />
