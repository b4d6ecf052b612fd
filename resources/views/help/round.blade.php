<p>Put the documents in order, look at the places, send. Places that were found stand on the page in pencil.</p>
<ul>
    <li>Point at a line and say who and what: <kbd>1</kbd> to <kbd>9</kbd> the person, <kbd>s</kbd> signature, <kbd>i</kbd>
        initials, <kbd>d</kbd> date.</li>
    <li>People in one band are asked at the same time. Drag them between bands.</li>
    <li>What is missing stands under <i>Before you can send</i>. When the list is empty, send.</li>
    <li>Signers can ask, decline, and come back later. You can remind, replace a person, or recall.</li>
</ul>
