<x-layout title="Rules on a file" place="office">
    <div class="head-row"><h1>What the rules ask for</h1>
        <span class="dim">on <a href="/files/{{ $file->key }}">{{ $file->name }}</a></span> <a href="/rules">All rules</a></div>
    <div class="leaf pad"><table class="ledger"><thead><tr><th><span class="unseen">Answer</span></th><th>Rule</th><th>When</th><th>
        What the file says</th><th>Asks for</th></tr></thead><tbody>
        @foreach ($answers as $one)
            <tr><td @class(['ok' => $one['holds'], 'dim' => ! $one['holds']])>{{ $one['holds'] ? 'holds' : 'no' }}</td><td>
                <b>{{ $one['rule']->name }}</b></td><td class="dim">{{ $one['rule']->asks->when->words() }}</td>
                <td>{{ collect($one['known'])->map(fn ($value, $name) => \Unanimus\Requirements\FactCatalog::label($name).': '.($value ===
                    null ? 'not known' : \Unanimus\Requirements\FactCatalog::shows($name, $value)))->implode(' · ') }}</td><td>
                    {{ $one['holds'] ? $one['rule']->asks->title : '' }}</td></tr>
        @endforeach
    </tbody></table></div>
</x-layout>
