<p>All files you work on, and the quickest way to any of them.</p>
<ul>
    <li>Type <kbd>/</kbd> anywhere and a name, street, listing number or form number. A slip of the fingers does not matter. When
        one file fits, Enter opens it.</li>
    <li>The list takes more: <kbd>late:</kbd>, <kbd>owes:buyer</kbd>, <kbd>next:</kbd>, <kbd>status:</kbd>. <i>Columns and
        views</i> shows client, next date or who owes what, and keeps a view under a name.</li>
    <li>Select files to tag them, or to download them as a spreadsheet or with their documents.</li>
</ul>
