<p>What arrives by email, scanner or phone waits in the inbox, with the file it seems to belong to.</p>
<ul>
    <li><i>File it</i> puts it there. <i>Sort its pages</i> takes a stack apart: <kbd>a</kbd> takes what is sure, <kbd>c</kbd>
        cuts, <kbd>r</kbd> turns.</li>
    <li>Each file and each person has an address of their own. Give it to lenders and escrow.</li>
    <li>An email that speaks of new wiring instructions is marked. Call before anybody sends money.</li>
</ul>
