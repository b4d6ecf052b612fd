<x-error title="That did not work"
    what="We could not make sense of what was sent. Nothing was changed. Go back and try again, or start from Today." />
