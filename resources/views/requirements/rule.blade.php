<x-layout :title="$rule ? $definition['name'] : 'A new rule'" place="office">
    <div class="head-row"><h1>{{ $rule ? $definition['name'] : 'A new rule' }}</h1><a href="/rules">All rules</a></div>
    <form method="post" action="/rules{{ $rule ? '/'.$rule->key : '' }}" class="leaf pad">
        @csrf @if ($rule) @method('put') @endif
        <label class="line"><span>Name</span><input class="input" name="name" value="{{ old('name', $definition['name']) }}" required
            maxlength="80" autocomplete="off"></label>
        <h2>When</h2>
        @include('requirements.conditions')
        <h2>Asks for</h2>
        <div class="condition asks">
            <span class="select"><select name="form" aria-label="form"><option value="">a paper from outside</option>
                @foreach ($forms as $form)
                <option value="{{ $form->number }}" @selected(($definition['asks']['form'] ?? '') === $form->number)>
                {{ $form->number }} {{ $form->title }}</option>@endforeach</select></span>
            <input class="input" name="title" value="{{ $definition['asks']['title'] }}" placeholder="title of the paper"
                aria-label="title of the paper" maxlength="120" autocomplete="off">
            <span class="select"><select name="stage" aria-label="stage">@foreach (\Unanimus\Requirements\Stage::names() as $key => $name)
                <option value="{{ $key }}" @selected(($definition['asks']['stage'] ?? '') === $key)>{{ $name }}</option>
                @endforeach</select></span>
            <label class="checkbox"><input type="checkbox" name="required" value="1" @checked($definition['asks']['required'] ?? true)>
                on the checklist</label>
        </div>
        <label class="line"><span>Reason shown beside the paper. Put a fact in braces, as in {property.year_built}.</span><input
            class="input" name="reason" value="{{ $definition['asks']['reason'] ?? '' }}" maxlength="300" autocomplete="off"></label>
        <button class="button now">Save rule</button>
    </form>
    @if ($rule)<form method="post" action="/rules/{{ $rule->key }}">@csrf @method('delete')
        <button class="button tight plain">Delete rule</button></form>@endif
</x-layout>
