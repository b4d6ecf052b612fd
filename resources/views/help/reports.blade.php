<p>Sides, volume and commission, closed and expected, by month, office and agent.</p>
<ul>
    <li>Every number opens the deals behind it.</li>
    <li>Choose a period, or two dates. Each figure is compared with the same days a year before.</li>
    <li>Print it, download it as a spreadsheet, or have it emailed to you. <i>My year</i> is an agent’s own.</li>
</ul>
