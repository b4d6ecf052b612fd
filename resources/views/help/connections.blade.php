<p>Programs that work for you: a bookkeeper, a website, your own scripts.</p>
<ul>
    <li>A token may do what you may, and no more than what you check for it. It can be taken away at any time.</li>
    <li>A webhook calls an address of yours when something happens. Calls are signed, and made again until they are answered.</li>
    <li>The description for developers is linked on the page, with calls to copy.</li>
</ul>
