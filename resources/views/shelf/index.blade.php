<x-office title="Shelf" at="shelf" about="documents and links that everybody uses">
    <x-slot:acts><form action="/office/shelf" role="search" class="in-row"><label class="line"><span class="unseen">Find on the
        shelf</span><input class="input" name="q" value="{{ $words }}" placeholder="Find on the shelf" maxlength="100"></label><button
        class="button tight">Find</button></form></x-slot:acts>
    @forelse ($topics as $topic => $items)
    <section class="leaf pad" aria-label="{{ $topic }}"><h2>{{ $topic }}</h2>
        <ul class="shelf">
        @foreach ($items as $item)
            @php($seen = $looks[$item->id] ?? 0)
            <li data-row><a href="/office/shelf/{{ $item->key }}" data-open>{{ $item->title }}</a> <span class="dim small">{{
                $item->kind->value === 'link' ? 'link' : "version {$item->version}"
                    }}@if ($item->office_id !== null), {{ $item->office?->name
                }}@endif</span>
                    @if ($seen < $item->version)<b class="waits small">{{ $seen === 0 ? 'new' : 'newer since you looked' }}</b>@endif
                </li>
        @endforeach
        </ul></section>
    @empty
    <section class="leaf pad"><p class="empty">{{ $words === '' ? 'Nothing on the shelf yet. Put the documents there that your office
        hands out again
        and again.' : "Nothing on the shelf has “{$words}” in its title or topic." }}</p></section>
    @endforelse
    <section class="leaf pad" aria-label="Your own sheet"><h2>Your own sheet</h2>
        <p>One page about you for your clients, with your license, office and broker as they are today. When one of them changes it is made
            anew, and your files say so. <a href="/office/sheet">{{ $sheet === null ? 'Make it' : 'Change it' }}</a></p></section>
    @if ($keeps)
    <section class="leaf pad" aria-label="Put something there"><h2>Put something there</h2>
        <form method="post" action="/office/shelf" enctype="multipart/form-data">@csrf<div class="money-entries">
            <label class="line"><span>Title</span><input class="input" name="title" value="{{ old('title') }}" maxlength="120"
                autocomplete="off"></label>
            <label class="line"><span>Topic</span><input class="input" name="topic" value="{{ old('topic') }}" maxlength="60" list="topics"
                autocomplete="off"></label>
            <label class="line"><span>For</span><span class="select"><select name="office"><option value="">all offices</option>
                @foreach ($offices as $office)<option value="{{ $office->key }}">{{ $office->name }}</option>@endforeach</select>
                </span></label>
            <label class="line"><span>Document</span><input type="file" name="document"></label>
            <label class="line"><span>or web address</span><input class="input" name="url" value="{{ old('url') }}" maxlength="500"
                autocomplete="off"></label></div>
            <datalist id="topics">@foreach ($topics->keys() as $topic)<option value="{{ $topic }}"></option>@endforeach</datalist>
            <button class="button now">Put on the shelf</button></form>
        @if (count($away) > 0)<h3>Archived</h3><ul class="plain">
            @foreach ($away as $item)<li><form method="post" action="/office/shelf/{{ $item->key }}/away" class="in-row">@csrf<input
            type="hidden" name="away" value="0">{{ $item->title }} <button class="button tight plain" aria-label="Bring back {{ $item->title
            }}">Bring back</button></form></li>@endforeach</ul>@endif
    </section>
    @endif
</x-office>
