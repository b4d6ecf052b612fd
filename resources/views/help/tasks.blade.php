<p>What is to be done by hand, in all your files.</p>
<ul>
    <li>Kits bring tasks with their day: “3 days before closing” moves when closing moves.</li>
    <li>Select several to mark them done, give them to somebody, or delete them.</li>
    <li>Add one in a file, at the foot of its list, with a day or counted from a date.</li>
</ul>
