<p>Everything that was written about a deal, in and out, with its attachments.</p>
<ul>
    <li>Start blank or from a form letter. A field that has no value yet is marked before you send.</li>
    <li>Write to several as one email or one each. Attach documents, or send a link to read them. <i>Send later</i> waits until
        the hour you choose.</li>
    <li>Answers come back here by the address of the file. A note stays inside the office.</li>
</ul>
