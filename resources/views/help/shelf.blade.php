<p>Documents, guides and links that everybody hands out, each in its newest version.</p>
<ul>
    <li>Take them into a file, a round or a message. You see what is new since you looked last.</li>
    <li>When a version is replaced, files that still hold the older one say so.</li>
    <li><i>Your own sheet</i> is one page about you with license, office and broker. When one of these changes it is made anew.</li>
</ul>
