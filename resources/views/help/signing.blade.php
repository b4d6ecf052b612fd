<x-guest :title="__('client.steps.title')">
    <div class="sheet">
        <h1>{{ __('client.steps.title') }}</h1>
        <p>{{ __('client.steps.intro') }} <a href="/how-signing-works?language={{ app()->getLocale() === 'es' ? 'en' : 'es' }}"
            lang="{{ app()->getLocale() === 'es' ? 'en' : 'es' }}">{{ __('client.steps.other') }}</a></p>
        <ol class="steps">
            @foreach (__('client.steps.list') as [$step, $more])<li><b>{{ $step }}</b><br>{{ $more }}</li>@endforeach
        </ol>
        <h2>{{ __('client.steps.asked') }}</h2>
        <dl class="asked">@foreach (__('client.steps.answers') as [$question, $answer])<dt>{{ $question }}</dt><dd>{{ $answer
            }}</dd>@endforeach</dl>
    </div>
</x-guest>
