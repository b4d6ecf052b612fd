<p>Whether everything works, what waits, and what failed.</p>
<ul>
    <li>Each line says in words what needs attention and what to do about it.</li>
    <li>What failed stays in the list with its reason. <i>Try now</i> starts it again.</li>
    <li>Whoever runs the server sees the same with <code>./unanimus check</code>.</li>
</ul>
