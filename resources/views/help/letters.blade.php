<p>Emails that are written once and used in any file.</p>
<ul>
    <li>Put in fields from the list, such as <i>property address</i> or <i>closing</i>. Try the letter with any file before you
        use it.</li>
    <li>Automatic letters go out by a rule: a status changed, a date comes near, everyone has signed. They are off until your
        office turns one on, and each says in the log why it went out.</li>
    <li>Your signature stands under what you write.</li>
</ul>
