<p>A page of their own for each client, by a link and without an account.</p>
<ul>
    <li>It shows what is asked of them now, what comes when, what they signed, and whom to call. In English or Spanish.</li>
    <li>Nothing of the other side or of the office is on it.</li>
    <li>You turn it on for each client, and off again when you like: the link then leads nowhere.</li>
</ul>
