{{-- Which days, of whom. --}}
<form method="get" action="/reports" class="leaf pad report-asks">
    <label class="line"><span>Period</span><span class="select"><select name="period">
        @foreach (\Unanimus\Reports\Period::NAMED as $name => $word)<option value="{{ $name }}" @selected($asked->named === $name)>{{
        ucfirst($word) }}</option>@endforeach</select></span></label>
    <label class="line"><span>or from</span><input class="input" name="from" maxlength="40" value="{{ $asked->named === '' ?
        $asked->period->from->long() : '' }}"></label>
    <label class="line"><span>to</span><input class="input" name="to" maxlength="40" value="{{ $asked->named === '' ?
        $asked->period->to->long() : '' }}"></label>
    @if ($all)<label class="line"><span>Office</span><span class="select"><select name="office"><option value="">all</option>
        @foreach ($offices as $office)<option @selected($asked->office === $office)>{{ $office }}</option>@endforeach
        </select></span></label>
    <label class="line"><span>Agent</span><span class="select"><select name="agent"><option value="">all</option>
        @foreach ($agents as $key => $name)<option value="{{ $key }}" @selected($asked->agent === $key)>{{ $name }}</option>@endforeach
        </select></span></label>@endif
    <label class="line"><span>Tag</span><input class="input" name="label" maxlength="40" value="{{ $asked->label }}"
        placeholder="any"></label>
    <button class="button tight">Show report</button>
    @if ($asked->agent !== '' || $asked->office !== '' || $asked->label !== '')<a class="button tight" href="/reports">All</a>@endif
</form>
@if ($asked->told !== '')<p class="say late">{{ $asked->told }}</p>@endif
