<p>Type on the page. Enter goes to the next blank that is missing. Everything is saved as you type.</p>
<ul>
    <li>A blank that follows the terms says where its value comes from. Type something else and it keeps what you typed.</li>
    <li>Without a connection your entries wait on this device, and are saved when it is back.</li>
    <li><i>Ask client to fill in</i> sends a link with the blanks that are theirs.</li>
</ul>
