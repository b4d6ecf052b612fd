<p>Who changed what, and when: in each file, and for the brokerage as a whole.</p>
<ul>
    <li>Nothing can be taken out of it or written into it later: each entry rests on the one before.</li>
    <li>In a file you see what your side may see.</li>
    <li>For an auditor, choose two days and download sign-ins and histories.</li>
</ul>
