<x-guest :title="__('client.proof.title')">
    <div class="sheet">
        @if ($answer !== null)
            <div @class(['say', 'ok' => $answer['tone'] === 'ok', 'no' => $answer['tone'] === 'no']) role="status">
                <p class="small dim">{{ $name }}</p>
                <h1>{{ $answer['title'] }}</h1>
                @foreach ($answer['words'] as $words)<p>{{ $words }}</p>@endforeach
            </div>
            <h2>{{ __('client.proof.again') }}</h2>
        @else
            <h1>{{ __('client.proof.title') }}</h1>
        @endif
        <p>{{ __('client.proof.how') }}</p>
        <form method="post" action="/proof" enctype="multipart/form-data">
            @csrf
            <label class="line"><span>{{ __('client.proof.file') }}</span><input class="input" type="file" name="pdf"
                accept="application/pdf,.pdf" required></label>
            <button class="button solid wide-button">{{ __('client.proof.check') }}</button>
        </form>
    </div>
</x-guest>
