<p>The broker reads what was submitted. The machine has read it before: what it noticed is marked at its place.</p>
<ul>
    <li><kbd>a</kbd> accepts, <kbd>b</kbd> sends back with your remarks, <kbd>m</kbd> makes a remark.</li>
    <li><kbd>f</kbd> goes from finding to finding. <kbd>y</kbd> makes it a remark, <kbd>x</kbd> sets it aside.</li>
    <li>What was sent back is on the agent’s Today at once.</li>
</ul>
