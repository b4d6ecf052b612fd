<p>What is emailed right away, what comes once a day, and what only shows here.</p>
<ul>
    <li>Whatever waits on you is on Today anyway.</li>
    <li>The daily digest comes at your hour on your days, the most urgent first. Quiet hours hold back the rest.</li>
    <li>A single file can be muted at its foot: <i>No emails about this file</i>.</li>
</ul>
