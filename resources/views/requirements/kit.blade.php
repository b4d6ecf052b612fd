@php($stages = \Unanimus\Requirements\Stage::names())
@php($dueFrom = ['opened' => 'opening', ...collect(\Unanimus\Terms\Term::anchors())->mapWithKeys(fn ($term) =>
    [$term->value => $term->label()])->all()])
@php($anchors = ['opened' => 'opening', ...collect(\Unanimus\Terms\Term::anchors())->mapWithKeys(fn ($term) =>
    [$term->value => $term->label()])->all(), ...collect($kit->deadlines)->mapWithKeys(fn ($rule) => [$rule->name => $rule->label])->all()])
<x-layout :title="$kit->name" place="office">
    <div class="head-row"><h1>{{ $kit->name }}</h1>
        <span class="dim">{{ $stored ? 'version '.$stored->version : 'comes with Unanimus' }}</span> <a href="/kits">All kits</a>
        @if (! $mine)<form method="post" action="/kits" class="right in-row">@csrf<input type="hidden" name="copy"
            value="{{ $kit->key }}"><input type="hidden" name="of" value="me">
            <label class="unseen" for="copy-name">Name of the copy</label><input class="input wide-name" id="copy-name" name="name"
            value="{{ $kit->name }}, mine" maxlength="80"><button class="button tight now">Copy kit to change it</button></form>@endif
    </div>
    @php($hidden = fn (string $name, string|int $value) => '<input type="hidden" name="'.$name.'" value="'.e((string) $value).'">')
    @php($open = fn (string $part) => $hidden('_token', csrf_token()).$hidden('_method', 'put').$hidden('part', $part)
        .$hidden('seen', $stored?->version ?? 0))
    <fieldset @disabled(! $mine) class="kit">
    <form method="post" action="/kits/{{ $stored?->key }}" class="leaf pad">{!! $open('about') !!}
        <h2>About</h2>
        <label class="line"><span>Name</span><input class="input" name="name" value="{{ $kit->name }}" maxlength="80" required></label>
        <label class="line"><span>What it is for</span><input class="input" name="note" value="{{ $kit->note }}" maxlength="400"></label>
        @if ($mine)<button class="button tight">Save</button>@endif
    </form>
    <form method="post" action="/kits/{{ $stored?->key }}" class="leaf pad">{!! $open('items') !!}
        <h2>Papers, in order <small>forms, and expected documents from outside</small></h2>
        <table class="ledger lines"><thead><tr><th>No.</th><th>Form</th><th>Title</th><th>Stage</th><th>Reason</th><th>Due</th>
            <th>On the checklist</th>
            <th>Only when</th></tr></thead><tbody>
        @foreach ([...$kit->items, ...($mine ? [null, null, null] : [])] as $n => $item)
            <tr>
                <td><input class="input number" name="lines[{{ $n }}][at]" value="{{ ($n + 1) * 10 }}" aria-label="place {{ $n + 1 }}"
                    inputmode="numeric">@if ($item && ! $item->when->isEmpty())<input type="hidden" name="lines[{{ $n }}][kept]"
                    value="{{ json_encode(['when' => $item->when->toArray(), 'side' => $item->side]) }}">@elseif ($item?->side)<input
                    type="hidden" name="lines[{{ $n }}][kept]" value="{{ json_encode(['side' => $item->side]) }}">@endif</td>
                <td><span class="select"><select name="lines[{{ $n }}][form]" aria-label="form {{ $n + 1 }}"><option value="">from outside
                    </option>@foreach ($forms as $form)<option
                    value="{{ $form->number }}" @selected($item?->form === $form->number)>
                    {{ $form->number }}</option>@endforeach
                    <option value="action" @selected($item?->isAction)>to do</option></select></span></td>
                <td><input class="input" name="lines[{{ $n }}][title]" value="{{ $item?->title }}" aria-label="title {{ $n + 1 }}"
                    maxlength="120" placeholder="{{ $item ? '' : '1 more' }}"></td>
                <td><span class="select"><select name="lines[{{ $n }}][stage]" aria-label="stage {{ $n + 1 }}">@foreach ($stages as $key =>
                    $name)<option value="{{ $key }}" @selected($item?->stage === $key)>{{ $name }}</option>@endforeach</select></span></td>
                <td><input class="input" name="lines[{{ $n }}][reason]" value="{{ $item?->reason }}" aria-label="reason {{ $n + 1 }}"
                    maxlength="200"></td>
                <td class="due-of"><input class="input number" name="lines[{{ $n }}][due_days]" value="{{ $item?->due?->days }}"
                    aria-label="days until due {{ $n + 1 }}" inputmode="numeric" maxlength="5"> <span class="select"><select
                    name="lines[{{ $n }}][due]" aria-label="due from {{ $n + 1 }}"><option value="">no day</option>
                    @foreach ($dueFrom as $name => $label)<option value="{{ $name }}" @selected($item?->due?->anchor === $name)>days from
                    {{ lcfirst($label) }}</option>@endforeach</select></span></td>
                <td><input type="hidden" name="lines[{{ $n }}][required_asked]" value="1"><input type="checkbox"
                    name="lines[{{ $n }}][required]" value="1" aria-label="required {{ $n + 1 }}"
                    @checked($item === null || $item->required)></td>
                <td class="dim small">@if ($item)<a href="/kits/{{ $kit->key }}/papers/{{ $n }}">{{ $item->when->isEmpty() ? 'always' :
                    $item->when->words() }}</a>@else always @endif @if ($item?->form) ·
                    <a href="/kits/{{ $kit->key }}/forms/{{ $item->form }}">{{ ([0 => 'no answers', 1 => '1 answer'])[$answered =
                    count($kit->answers[$item->form] ?? [])] ?? "{$answered} answers" }}</a>@endif</td>
            </tr>
        @endforeach
        </tbody></table>
        @if ($mine)<p class="dim small">To remove a paper, clear its title and choose “from outside”.</p>
            <button class="button tight">Save papers</button>@endif
    </form>
    <form method="post" action="/kits/{{ $stored?->key }}" class="leaf pad">{!! $open('tasks') !!}
        <h2>Tasks</h2>
        <table class="ledger lines"><thead><tr><th>Task</th><th>Days</th><th>Counted in</th><th>From</th><th>For</th></tr></thead><tbody>
        @foreach ([...$kit->tasks, ...($mine ? [null, null] : [])] as $n => $task)
            <tr><td><input type="hidden" name="lines[{{ $n }}][at]" value="{{ $n }}"><input class="input" name="lines[{{ $n }}][title]"
                value="{{ $task?->title }}" aria-label="task {{ $n + 1 }}" maxlength="200"></td><td>
                <input class="input number" type="number" name="lines[{{ $n }}][days]" value="{{ $task?->days ?? 0 }}"
                aria-label="days {{ $n + 1 }}"></td>
                <td><span class="select"><select name="lines[{{ $n }}][unit]" aria-label="unit {{ $n + 1 }}"><option value="calendar">days
                    </option><option value="business" @selected($task?->businessDays)>business days</option></select></span></td>
                <td><span class="select"><select name="lines[{{ $n }}][anchor]" aria-label="anchor {{ $n + 1 }}">
                    @foreach ($anchors as $name => $label)
                    <option value="{{ $name }}" @selected($task?->anchor === $name)>{{ $label }}</option>
                    @endforeach</select></span></td>
                <td><span class="select"><select name="lines[{{ $n }}][for]"
                    aria-label="for {{ $n + 1 }}">@foreach (['agent', 'coordinator', 'broker'] as $role)
                    <option @selected($task?->for === $role)>{{ $role }}</option>@endforeach</select></span></td></tr>
        @endforeach
        </tbody></table>
        @if ($mine)<button class="button tight">Save tasks</button>@endif
    </form>
    <form method="post" action="/kits/{{ $stored?->key }}" class="leaf pad">{!! $open('deadlines') !!}
        <h2>Deadlines <small>use a minus for days before</small></h2>
        <table class="ledger lines"><thead><tr><th>Key</th><th>Name</th><th>Days</th><th>Counted in</th><th>From</th><th>
            On a weekend or holiday</th><th>Until</th></tr></thead><tbody>
        @foreach ([...$kit->deadlines, ...($mine ? [null, null] : [])] as $n => $rule)
            <tr><td><input class="input" name="lines[{{ $n }}][name]" value="{{ $rule?->name }}" aria-label="key {{ $n + 1 }}"
                maxlength="40"></td><td><input class="input" name="lines[{{ $n }}][label]" value="{{ $rule?->label }}"
                aria-label="name {{ $n + 1 }}" maxlength="60"></td>
                <td><input class="input number" type="number" name="lines[{{ $n }}][days]" value="{{ $rule?->days ?? 0 }}"
                    aria-label="days {{ $n + 1 }}"></td>
                <td><span class="select"><select name="lines[{{ $n }}][unit]"
                    aria-label="unit {{ $n + 1 }}">@foreach (['calendar' => 'days', 'business' => 'business days',
                    'business with saturdays' => 'business days and Saturdays', 'months' => 'months', 'hours' => 'hours'] as $unit =>
                    $words)<option value="{{ $unit }}" @selected($rule?->unit->value === $unit)>{{ $words }}</option>
                    @endforeach</select></span></td>
                <td><span class="select"><select name="lines[{{ $n }}][anchor]" aria-label="anchor {{ $n + 1 }}">
                    @foreach ($anchors as $name => $label)
                        <option value="{{ $name }}" @selected($rule?->anchor === $name)>{{ $label }}</option>
                    @endforeach</select></span></td>
                <td><span class="select"><select name="lines[{{ $n }}][roll]"
                    aria-label="roll {{ $n + 1 }}">@foreach (['forward' => 'the next business day', 'backward' => 'the one before', 'none'
                    => 'it stays'] as $roll => $word)<option value="{{ $roll }}" @selected($rule?->roll === $roll)>{{ $word }}</option>
                    @endforeach</select></span></td>
                <td><input class="input number" name="lines[{{ $n }}][cutOff]" value="{{ $rule?->cutOff }}" aria-label="until {{ $n + 1 }}"
                    placeholder="17:00" maxlength="5"></td></tr>
        @endforeach
        </tbody></table>
        @if ($mine)<button class="button tight">Save deadlines</button>@endif
    </form>
    <div class="columns-2">
        <form method="post" action="/kits/{{ $stored?->key }}" class="leaf pad">{!! $open('contacts') !!}
            <h2>Usual contacts <small>never clients</small></h2>
            @foreach ([...$kit->contacts, ...($mine ? [['role' => 'escrow', 'name' => '', 'firm' => '', 'email' => '', 'phone' => '']] :
                [])] as $n => $contact)
                <div class="condition">
                    <span class="select"><select name="lines[{{ $n }}][role]"
                    aria-label="role {{ $n + 1 }}">@foreach (\Unanimus\Requirements\Kit::CONTACT_ROLES as $role)
                    <option @selected($contact['role'] === $role)>{{ $role }}</option>@endforeach</select></span>
                @foreach (['name', 'firm', 'email', 'phone'] as $field)<input class="input" name="lines[{{ $n }}][{{ $field }}]"
                    value="{{ $contact[$field] }}" placeholder="{{ $field }}" aria-label="{{ $field }} {{ $n + 1 }}"
                    maxlength="120">@endforeach</div>
            @endforeach
            @if ($mine)<button class="button tight">Save contacts</button>@endif
        </form>
        <form method="post" action="/kits/{{ $stored?->key }}" class="leaf pad">{!! $open('fees') !!}
            <h2>Standing fees <small>leave empty to decide per file</small></h2>
            @foreach ([...$kit->fees, ...($mine ? [['label' => '', 'amount' => '']] : [])] as $n => $fee)
                <div class="condition"><input class="input" name="lines[{{ $n }}][label]" value="{{ $fee['label'] }}" placeholder="fee"
                    aria-label="fee {{ $n + 1 }}" maxlength="60"><input class="input" name="lines[{{ $n }}][amount]"
                    value="{{ $fee['amount'] }}" placeholder="amount" aria-label="amount {{ $n + 1 }}" maxlength="12" inputmode="decimal">
                    </div>
            @endforeach
            @if ($mine)<button class="button tight">Save fees</button>@endif
        </form>
    </div>
    <form method="post" action="/kits/{{ $stored?->key }}" class="leaf pad">{!! $open('when') !!}
        <h2>When it applies</h2>
        <p><label class="checkbox"><input type="checkbox" name="by_itself" value="1" @checked($kit->when !== null)>
            It applies to files that meet these conditions</label></p>
        @include('requirements.conditions')
        @if ($mine)<button class="button tight now">Save conditions</button>@endif
    </form>
    </fieldset>
    @if ($stored)
    <div class="leaf pad"><h2>Versions</h2>
        <ul class="found-files">@foreach ($versions as $version)<li>
            Version {{ $version->version }}, {{ \App\Terms\When::list(\Illuminate\Support\Carbon::parse($version->made_at),
            auth()->user()->zone()) }} @if ($mine && $version->version !== $stored->version)
            <form method="post" action="/kits/{{ $stored->key }}/versions/{{ $version->version }}" class="in-row">@csrf
            <button class="button tight plain">Restore</button></form>@endif</li>@endforeach</ul>
        @if ($mine)<form method="post" action="/kits/{{ $stored->key }}">@csrf @method('delete')
            <button class="button tight plain">Retire kit</button></form>@endif
    </div>
    @endif
</x-layout>
