@php
    $hour = fn (int $hour) => ($hour % 12 === 0 ? 12 : $hour % 12).':00 '.($hour < 12 ? 'am' : 'pm');
    $names = [1 => 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
@endphp
<x-layout title="Notification settings">
    <div class="head-row"><h1>Notification settings</h1><span class="dim">everything that waits on you is on Today anyway</span><span
        class="right"><a href="/notices">Notifications</a></span></div>
    <form method="post" action="/notices/settings" class="leaf pad">@csrf @method('put')
        <div class="scrolls"><table class="ledger choices"><thead><tr><th scope="col">When</th>
            @foreach (\Unanimus\Notices\NoticeChoice::cases() as $choice)<th scope="col">{{ ucfirst($choice->label()) }}</th>@endforeach
            </tr></thead><tbody>
            @foreach (\Unanimus\Notices\NoticeKind::cases() as $kind)<tr><th scope="row">{{ $kind->label() }}</th>
                @foreach (\Unanimus\Notices\NoticeChoice::cases() as $choice)<td><input type="radio" name="choices[{{ $kind->value }}]"
                    value="{{ $choice->value }}" @checked(old("choices.{$kind->value}", $settings->choices[$kind->value]->value) ===
                    $choice->value) aria-label="{{ $kind->label() }}: {{ $choice->label() }}"></td>@endforeach</tr>@endforeach
        </tbody></table></div>
        <div class="money-entries">
            <label class="line"><span>Digest at</span><span class="select"><select name="hour">@for ($one = 0; $one < 24; $one++)<option
                value="{{ $one }}" @selected((int) old('hour', $settings->hour) === $one)>{{ $hour($one) }}</option>@endfor</select>
                </span></label>
            <fieldset class="who-gets"><legend>on</legend><div class="picks">
                @foreach ($names as $day => $name)<label class="pick"><input type="checkbox" name="days[]" value="{{ $day }}"
                    @checked(in_array($day, $settings->days, true))> {{ $name }}</label>@endforeach</div></fieldset>
            <label class="line"><span>No emails from</span><span class="select"><select name="quiet_from"><option value="">never
                quiet</option>
                @for ($one = 0; $one < 24; $one++)<option value="{{ $one }}" @selected(old('quiet_from', $settings->quietFrom) !== null &&
                    (string) old('quiet_from', $settings->quietFrom) === (string) $one)>{{ $hour($one)
                        }}</option>@endfor</select></span></label>
            <label class="line"><span>until</span><span class="select"><select name="quiet_until"><option value="">never quiet</option>
                @for ($one = 0; $one < 24; $one++)<option value="{{ $one }}" @selected(old('quiet_until', $settings->quietUntil) !== null &&
                    (string) old('quiet_until', $settings->quietUntil) === (string) $one)>{{ $hour($one)
                        }}</option>@endfor</select></span></label>
        </div>
        <p class="dim">Times are in your office’s zone, {{ $zone }}. What comes while it is quiet is emailed when it ends.</p>
        <button class="button now">Save settings</button>
    </form>
    @if ($muted->isNotEmpty())<section class="leaf pad" aria-label="Muted files"><h2>Muted files</h2><ul class="plain">
        @foreach ($muted as $file)<li><form method="post" action="/files/{{ $file->key }}/mute" class="in-row">@csrf<input type="hidden"
            name="muted" value="0"><a href="/files/{{ $file->key }}">{{ $file->name }}</a><button class="button tight plain"
            aria-label="Unmute {{ $file->name }}">Unmute</button></form></li>@endforeach</ul></section>@endif
</x-layout>
