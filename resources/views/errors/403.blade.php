<x-error title="You do not have access to this"
    what="Your role does not let you do this. Nothing was changed. If it should, ask your broker or administrator for the role." />
