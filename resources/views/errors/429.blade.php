<x-error title="Too many attempts" what="Wait a minute, then try again. Nothing was changed." />
