<x-error title="This did not work"
    what="The problem is on our end, and it was logged. Everything saved before is still there. Try again in a moment." />
