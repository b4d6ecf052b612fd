<x-error title="Too many tries" what="Wait a minute, then try again. Nothing was changed." />
