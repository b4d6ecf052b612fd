<p>Who has a copy of each signed document, and who does not.</p>
<ul>
    <li>Whoever signed here has theirs by email. The rest is listed as <i>not yet</i>.</li>
    <li><i>Send what is missing</i> writes one email to each person with all they lack.</li>
    <li>Handed over or mailed? Check the documents and note the day.</li>
</ul>
