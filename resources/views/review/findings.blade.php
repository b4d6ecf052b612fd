@if ($findings !== [])
    <h2 class="minor">Found by the machine</h2>
    <ol class="finding-list">
        @foreach ($findings as $finding)
            <li tabindex="-1" data-finding @if ($finding->page) data-page="{{ $finding->page }}" @endif
                @if ($finding->place) data-place="{{ $finding->place->x }},{{ $finding->place->y }},{{ $finding->place->width }},{{
                $finding->place->height }}" @endif>
                <span>@if ($finding->page)<b>Page {{ $finding->page }}.</b> @endif{{ $finding->text }}</span>
                <small>{{ $finding->how }}</small>
                <form class="inline" method="post" action="/requirements/{{ $requirement->key }}/findings/{{ $finding->id() }}">@csrf
                    <button class="button tight" name="do" value="remark">Make it a remark</button>
                    <button class="button tight plain" name="do" value="aside">Set aside</button></form></li>
        @endforeach
    </ol>
    <p class="dim small"><kbd>f</kbd> next · <kbd>y</kbd> make it a remark · <kbd>x</kbd> set it aside</p>
@endif
