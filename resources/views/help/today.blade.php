<p>Today answers three questions: what waits on you, what waits on others, and what comes up. The worst is on top.</p>
<ul>
    <li>Do things on the row: mark done, remind, open at the place.</li>
    <li>The lanes below are your open files, with today in the middle. Flags are deadlines. A flag that stands out is late.</li>
    <li>The bell shows what happened. <a href="/notices/settings">Choose</a> what is emailed right away, what comes in the daily
        digest, and when it is quiet.</li>
</ul>
