<p>Everything that holds for all files: people, documents, emails, money, and how long things are kept.</p>
<ul><li><a href="/office/roster">Roster</a>: who joins and leaves, licenses, who works on whose files.</li><li><a
    href="/office/shelf">Shelf</a>: what everybody hands out, in versions.</li><li>@can('open-kits')<a href="/kits">Kits</a>@else Kits
    @endcan and rules say which documents,
    dates and tasks a file gets.</li><li>Archive: how long files are kept, what is purged when, and holds.</li></ul>
