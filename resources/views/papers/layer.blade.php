<g class="layer">@foreach ($pieces as $piece) @if ($piece['page'] === $number)<g class="piece" data-key="{{ $piece['key'] }}">
    {!! $piece['svg'] !!}</g>@endif @endforeach</g>
