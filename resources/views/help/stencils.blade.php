<p>The places to sign on a document you use again and again, kept once.</p>
<ul>
    <li>Place them in a round, then choose <i>Keep as stencil</i> at the document.</li>
    <li>The next time the same document comes, filled in otherwise or scanned, the places are proposed where its text went.</li>
    <li>Name stencils so that variants are told apart: “two sellers”, “with broker”. Archive what is no longer used.</li>
</ul>
