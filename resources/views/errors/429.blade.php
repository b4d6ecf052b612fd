<x-error title="That was too many tries" what="Wait a minute, then try again. Nothing was changed." />
