@php($setup = \App\Running\SetupGuide::of(auth()->user()))
@if ($setup !== null)
    <div class="say setup-say"><b>Setup: {{ $setup->settled() }} of {{ count(\Unanimus\Running\SetupStep::cases()) }} steps done.</b>
        {{ $setup->next() === null ? 'Nothing is left.' : 'Next: '.lcfirst($setup->next()->title()).'.' }}
        <a class="button tight now" href="/office/setup">{{ $setup->next() === null ? 'Finish setup' : 'Continue setup' }}</a></div>
@endif
