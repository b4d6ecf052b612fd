<x-layout :title="$paper->title.', another revision'" place="files">
    <div class="desk-bar"><h1>{{ $paper->title }}</h1>
        <span class="dim">{{ $paper->form_number }} from rev. {{ $paper->form_revision }}{{ $new ? ' to rev. '.$new->revision : '' }} ·
        <a href="/papers/{{ $paper->key }}">Back to the paper</a></span></div>
    @if ($plan === null)<p class="empty">This paper already uses the current revision, or can no longer be changed.</p>
    @else
    <div class="columns-2">
        <div class="leaf pad"><h2>What carries over</h2>
            @if ($plan->goes === [])<p class="dim">Nothing was entered by hand. Blanks that follow the terms keep following them.</p>@else
            <table class="ledger"><thead><tr><th>Blank</th><th>Entry</th><th><span class="unseen">Actions</span></th></tr></thead><tbody>
                @foreach ($plan->goes as $name => $pair)<tr><td>{{ $pair['from']->label }}</td><td>
                    <b>{{ $pair['from']->kind->value === 'tick' ? ($entries[$name] === '' ? 'not checked' : 'checked') :
                    ($pair['from']->kind->show($entries[$name]) ?: 'left empty') }}</b></td><td class="dim">
                    {{ $pair['from']->label === $pair['to']->label ? '' : 'to “'.$pair['to']->label.'”' }}</td></tr>@endforeach
            </tbody></table>@endif
        </div>
        <div>
            <div class="leaf pad"><h2>What has no place in it</h2>
                @if ($plan->stays === [])<p class="dim">None. Every entry carries over.</p>@else
                <table class="ledger"><tbody>@foreach ($plan->stays as $name => $blank)<tr><td>{{ $blank->label }}</td><td>
                    <b>{{ $blank->kind->value === 'tick' ? 'checked' : $blank->kind->show($entries[$name]) }}</b></td></tr>@endforeach
                    </tbody></table>
                <p class="small dim">It stays in the paper’s entries and the file’s history, but does not print.</p>@endif
                @if ($plan->fresh !== [])<h2><br>New blanks</h2><p>
                    {{ collect($plan->fresh)->map(fn ($blank) => $blank->label.($blank->required ? ' (must be filled)' :
                    ''))->take(20)->implode(', ') }}{{ count($plan->fresh) > 20 ? ' and '.(count($plan->fresh) - 20).' more' : '' }}</p>
                    @endif
            </div><br>
            <form method="post" action="/papers/{{ $paper->key }}/revision" class="with-taken">@csrf<input type="hidden" name="revision"
                value="{{ $new->revision }}"><input type="hidden" name="key" value="{{ bin2hex(random_bytes(8)) }}">
                <button class="button now">Switch to rev. {{ $new->revision }}</button>
                <a class="button" href="/papers/{{ $paper->key }}">Keep rev. {{ $paper->form_revision }}</a></form>
        </div>
    </div>
    @endif
</x-layout>
