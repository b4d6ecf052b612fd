<x-guest :title="__('client.read.title')" :from="$copy->giver->name" :speaks="'/read/'.$copy->token().'/language'">
    @php($why = $copy->ended_at ? 'closed' : 'passed')
    <div class="sheet"><h1>{{ __("client.read.{$why}") }}</h1>
        <p>{{ __("client.read.{$why}_more", ['name' => $copy->giver->name, 'day' => \App\Terms\ClientDay::long($copy->last_day)]) }}
            {{ __('client.read.ask', ['name' => $copy->giver->name]) }}
            <a href="mailto:{{ $copy->giver->email }}">{{ $copy->giver->email }}</a>.</p></div>
</x-guest>
