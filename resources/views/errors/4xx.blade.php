<x-error title="This page cannot be opened this way"
    what="The address takes what a button sends, or it was asked in a way we do not know. Nothing was changed. Go to
    Today and open it from there." />
