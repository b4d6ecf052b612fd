@foreach ($faults as $fault)<li class="dim" role="presentation">{{ $fault }}</li>@endforeach
@foreach ($completions as $one)<li role="option" aria-selected="false" data-complete="{{ $one['text'] }}">
    <b>{{ trim($one['text']) }}</b> <span>{{ $one['about'] }}</span></li>@endforeach
@php($matched = $files->isEmpty() ? [] : \App\Overview\Finder::matched($files, $words))
@foreach ($files as $file)<li role="option" aria-selected="false" data-go="/files/{{ $file->key }}">
    <b>{{ $file->name }}</b> <span>{{ $matched[$file->key] ?? $file->status->readable() }}</span></li>@endforeach
@foreach ($shelf as $item)<li role="option" aria-selected="false" data-go="/office/shelf/{{ $item->key }}">
    <b>{{ $item->title }}</b> <span>on the shelf, {{ $item->topic }}</span></li>@endforeach
