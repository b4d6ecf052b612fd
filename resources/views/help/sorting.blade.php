<p>A stack from the scanner lies open, page by page. What is proposed stands in pencil until you take it.</p>
<ul>
    <li><kbd>a</kbd> takes all that is sure: cuts, turns, blank backs, names and where each part goes.</li>
    <li>Click between two pages to cut or join. Drag pages or whole parts. <kbd>r</kbd> turns, <kbd>u</kbd> takes a step back.</li>
    <li>The stack itself stays as it came.</li>
</ul>
