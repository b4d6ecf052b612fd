<x-error title="You do not have access to this" what="You may see this place but not do that here. Nothing was changed. If you should be able to, ask your broker or administrator for the role." />
