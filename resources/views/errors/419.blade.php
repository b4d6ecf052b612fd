<x-error title="This page was open too long" what="For safety the page has to be loaded again. What was stored before is kept; entries on a paper that were not sent yet wait on this device." />
