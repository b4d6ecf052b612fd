<x-guest title="Papers to sign" :from="$round->sender->name" :opened="'/sign/'.$token.'/opened'">
    <div class="sheet">
        <h1>Hello {{ $signer->name }}</h1>
        <p>{{ $round->sender->name }} asks you to sign {{ $round->papers->count() === 1 ? 'a paper' : $round->papers->count().' papers' }} for <b>{{ $round->file->name }}</b>:</p>
        <ul>@foreach ($round->papers as $sent)<li>{{ $sent->title }}, {{ $sent->pages }} {{ $sent->pages === 1 ? 'page' : 'pages' }}</li>@endforeach</ul>
        <br>
        @if ($round->message)<p><i>“{{ $round->message }}”</i></p>@endif
        <form method="post" action="/sign/{{ $token }}/consent">
            @csrf
            <p><b>Before you start.</b> Signing here counts as signing on paper. You can stop at any time and come back with the same link, ask for paper copies at no cost, or change your mind until you press Finish. When everyone has signed you get all of it by mail. You need a device that opens PDF files.</p>
            <p><label class="checkbox"><input type="checkbox" name="agree" value="1"> I agree to receive and sign these papers electronically.</label></p>
            <button class="button solid">Go on</button>
        </form>
    </div>
    @include('signing.ask')
</x-guest>
