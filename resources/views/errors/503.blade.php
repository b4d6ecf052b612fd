<x-error title="Back in a few minutes" what="Unanimus is being looked after. Everything you stored is kept. Try again in a few minutes." />
