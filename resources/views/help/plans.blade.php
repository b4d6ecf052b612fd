<p>How each agent shares with the company, and what they owe.</p>
<ul>
    <li>A plan has a start date. What closed before it is computed by the plan before.</li>
    <li>Caps, tiers, franchise fees and team splits are worked out on each sheet, every step with its formula.</li>
    <li>Many plans at once? Download the spreadsheet, change it, upload it. You see what each row does before anything is
        saved.</li>
</ul>
