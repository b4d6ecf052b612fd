<p>A PDF or Word file of your office becomes a form that fills itself and knows who signs.</p>
<ul>
    <li>Blanks that the page seems to have are proposed. Check each one, drag it, or draw a new one.</li>
    <li>Let a blank follow a term, and it is filled in every file. Add places to sign for each seat.</li>
    <li><i>Try it out</i> fills it with a file’s facts and keeps nothing. <i>Activate form</i> puts it in force; documents begun
        before stay on their revision.</li>
</ul>
