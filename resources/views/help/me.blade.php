<p>Your password, two-step sign-in, and what is yours alone.</p>
<ul>
    <li>See where you are signed in, and sign out there.</li>
    <li>What is sent to your own address waits in your inbox. Make a new address when the old one has gotten around.</li>
    <li>All dates of your files show in any calendar app by a link. Single keys can be turned off.</li>
</ul>
