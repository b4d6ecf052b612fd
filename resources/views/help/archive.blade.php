<p>How long ended files are kept, what will be purged, and what is on hold.</p>
<ul>
    <li>Set the years for each kind of file. Your state says how many; nothing is purged until you have set them.</li>
    <li>A purge is announced 60 days before, with a list. A hold stops it, with a reason.</li>
    <li>Afterwards a certificate says what was purged, when and by which rule.</li>
</ul>
