<p>Every date of a deal, with a sentence that says how it was counted.</p>
<ul>
    <li>Enter a new closing and choose <i>See what moves</i>: all other dates show their new day before anything is stored.</li>
    <li>A day can be set by hand. It then stays where you put it, and says so.</li>
    <li>Weekends and holidays are those of your office. An administrator keeps them under <i>Offices</i>.</li>
</ul>
