<x-error title="This is not yours to do" what="You may see this place but not do that here. Nothing was changed. If you should be able to, ask your broker or administrator for the role." />
