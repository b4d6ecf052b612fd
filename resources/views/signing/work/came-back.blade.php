<section class="placing" id="came-back" aria-labelledby="came-back-title">
    <h3 id="came-back-title">Came back signed</h3>
    <ul>
        @foreach ($returned as $one)
            @php($at = "/working-copies/{$one->copy->key}/papers/{$one->key}")
            <li><span class="what"><b>{{ $one->paper->title }}</b> <span class="dim small">from {{ $one->copy->agent() }},
                {{ \App\Terms\When::list($one->returned_at, $file->office->zone) }}</span></span>
                <a class="button tight" href="{{ $at }}/signed.pdf" target="_blank">Look at it<span class="unseen">:
                    {{ $one->paper->title }}</span></a>
                <form method="post" action="{{ $at }}/take">@csrf<button class="button tight now">Take it<span class="unseen">:
                    {{ $one->paper->title }}</span></button></form>
                <form method="post" action="{{ $at }}/leave">@csrf<button class="button tight plain">Not this one<span class="unseen">:
                    {{ $one->paper->title }}</span></button></form></li>
        @endforeach
    </ul>
</section>
