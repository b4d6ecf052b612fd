<div class="say now amendment">
    <b>{{ $one->paper->title }}</b> is signed. It changes:
    <ul>@foreach ($one->changes as $change)<li><b>{{ $change['label'] }}</b> from {{ $change['from'] }} to {{ $change['to'] }}</li>
        @endforeach</ul>
    @if ($one->moves !== [])<p>These dates move with it: {{ implode(', ', $one->moves) }}.</p>@endif
    @if ($one->amendment->inWords !== [])<p>Read the paper too for what it says under {{ implode(', ', $one->amendment->inWords) }}.</p>
        @endif
    <form class="inline" method="post" action="/papers/{{ $one->paper->key }}/amendment">
        @csrf
        @if ($one->possession !== null)<label class="check"><input type="checkbox" name="possession" value="1">
            Possession moves too, to {{ $one->possession->short($agenda->today->year()) }}</label>@endif
        <button class="button tight now">Apply signed change</button>
        <button class="button tight" name="leave" value="1">Leave terms unchanged</button>
    </form>
</div>
