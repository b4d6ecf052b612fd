<p>Start with whatever you know: a listing number, an address, or a name. The file exists from your first entry.</p>
<ul>
    <li>On the right you see what the file will hold, each document with its reason.</li>
    <li>Nothing has to be finished. Leave, and come back. </li>
    <li>If someone else has a file on the same listing, you are told, and can ask to join.</li>
</ul>
