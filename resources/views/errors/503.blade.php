<x-error title="Back in a few minutes" what="We are working on Unanimus. Everything you saved is safe. Try again in a few minutes." />
