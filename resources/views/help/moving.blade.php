<p>Bring files from another system: a spreadsheet, or a ZIP with the spreadsheet and a folder of documents for each file.</p>
<ul>
    <li>Say once which column is what. It is remembered.</li>
    <li>The test run shows what every row and document becomes, and opens nothing.</li>
    <li>Opening goes on in the background and can be left. What was not taken is listed with the reason, to download.</li>
</ul>
