<x-layout :title="'Dates of '.$file->name" place="files">
    <div class="head-row"><h1>Dates</h1><a href="/files/{{ $file->key }}">{{ $file->name }}</a><x-status :status="$file->status" /></div>
    @if ($line)<div class="scrolls"><x-deal-line :$line :$file :moves="$works" /></div>@endif
    <div class="leaf pad">
        @if ($agenda->anchors === [] && $agenda->deadlines === [])
            <p class="empty">Dates show up once there is an offer, acceptance, or closing date.
                @if ($works)<a href="/files/{{ $file->key }}/opening">Enter a date</a>.@endif</p>
        @else
        <div class="scrolls"><table class="ledger dates">
            <thead><tr><th><span class="unseen">Deadline</span></th><th>Day</th><th>How it is computed</th><th>
                <span class="unseen">Actions</span></th></tr></thead>
            <tbody>
            @foreach ($agenda->anchors as $name => $anchor)
                <tr><td><b>{{ $anchor['label'] }}</b></td><td>{{ $anchor['day']->short($agenda->today->year()) }}</td><td class="dim">
                    Entered. Other dates are counted from it.</td>
                    <td class="right">@if ($works)<form class="in-row" action="/files/{{ $file->key }}/shift" data-shift><input
                        type="hidden" name="anchor" value="{{ $name }}">
                        <label class="unseen" for="move-{{ $name }}">New day for {{ $anchor['label'] }}</label><input class="input"
                        id="move-{{ $name }}" name="day" placeholder="new day" required maxlength="40" autocomplete="off">
                        <button class="button tight">See what moves</button></form>@endif</td></tr>
            @endforeach
            @foreach ($agenda->deadlines as $deadline)
                <tr><td><b>{{ $deadline->label }}</b></td>
                    <td @class(['late' => $deadline->standing($agenda->done, $agenda->today) === 'late', 'ok' => in_array($deadline->name,
                        $agenda->done, true)])>
                        {{ $deadline->due->short($agenda->today->year()) }}@if (in_array($deadline->name, $agenda->done, true)) ✓@endif</td>
                    <td class="dim">{{ $deadline->because }}</td>
                    <td class="right">
                        @if ($works && $deadline->isByHand())
                            <form method="post" action="/files/{{ $file->key }}/dates/{{ $deadline->name }}">@csrf @method('delete')
                                <button class="button tight">Use the contract’s date</button></form>
                        @elseif ($works)
                            <details class="by-hand"><summary>Set by hand</summary>
                                <form method="post" action="/files/{{ $file->key }}/dates/{{ $deadline->name }}">@csrf @method('put')
                                    <label class="line"><span>Day</span><input class="input" name="day" required maxlength="40"
                                        autocomplete="off"></label>
                                    <label class="line"><span>Why</span><input class="input" name="reason" required maxlength="300"
                                        autocomplete="off"></label>
                                    <button class="button tight now">Set {{ $deadline->label }}</button></form>
                            </details>
                        @endif
                    </td></tr>
            @endforeach
            </tbody>
        </table></div>
        @endif
    </div>
    <div class="leaf pad">
        @if ($works)
            <h2>By email</h2>
            <p class="dim">What is sent to this address is proposed to this file in the inbox.</p>
            <p><label class="unseen" for="mail-in">Email address of this file</label><input class="input" id="mail-in" readonly
                value="{{ \App\Files\MailAddress::of($file) }}"></p>
            <form method="post" action="/files/{{ $file->key }}/mail-address">@csrf<button class="button tight">New address</button></form>
            <br>
        @endif
        <h2>In your calendar</h2>
        <p class="dim">Add this address to any calendar app. Anyone who has it sees these dates, so keep it to yourself. If you make a new
            one, the old one stops working.</p>
        <p><label class="unseen" for="calendar">Calendar address</label><input class="input" id="calendar" readonly value="{{ $calendar }}">
            </p>
        @if ($works)<form method="post" action="/files/{{ $file->key }}/calendar">@csrf
            <button class="button tight">Make a new address</button></form>@endif
    </div>
    <dialog id="shift" class="leaf pad wide" aria-label="What moves"></dialog>
</x-layout>
