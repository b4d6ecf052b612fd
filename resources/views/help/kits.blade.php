<p>A kit says what a kind of deal starts with: documents, dates, tasks, people and fees. A rule adds what the facts of a deal call
    for.</p>
<ul>
    <li>Copy a kit that comes with Unanimus and change it. Conditions stand beside each line: “built before 1978”, “has an
        association”.</li>
    <li>Try a rule on a file before you turn it on: it says what it would add and why.</li>
    <li>A change later takes nothing away from files that were begun.</li>
</ul>
