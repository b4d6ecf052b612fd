<p>People you worked with before, ready when a file needs them.</p>
<ul>
    <li>Type a name in a file and their email, phone and company come along.</li>
    <li>Shared contacts are those the brokerage keeps for everybody, such as escrow and lenders.</li>
    <li>Bring people in from your phone as vCards, and take them out the same way.</li>
</ul>
