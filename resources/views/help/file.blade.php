<p>A file lies open like a folder. On top the deal line with its dates. On the left the terms and the people. On the right the
    board: who owes what on which document.</p>
<ul>
    <li>Each row says its next step in red. Select several rows to send, submit, print or tag them together.</li>
    <li>Drag a document from outside onto the row that expects it.</li>
    <li>Drag the closing on the deal line: what moves with it is shown first.</li>
    <li>Messages, history and the archive are at the foot.</li>
</ul>
