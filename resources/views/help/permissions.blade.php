<p>What each role may do, as a table, for each office.</p>
<ul>
    <li>Check or clear a box and save. It holds at once, on every page and in every program that is connected.</li>
    <li>Require two-step sign-in for the roles you choose.</li>
    <li><i>Look as</i>, on a person’s page, shows you what they see. Nothing can be changed meanwhile, and it is in
        the history.</li>
</ul>
