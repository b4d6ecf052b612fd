@foreach ($faults as $fault)<li class="dim">{{ $fault }}</li>@endforeach
@foreach ($completions as $one)<li><button type="button" data-complete="{{ $one['text'] }}"><b>{{ trim($one['text']) }}</b> <span>{{ $one['about'] }}</span></button></li>@endforeach
@foreach ($files as $file)<li><a href="/files/{{ $file->key }}"><b>{{ $file->name }}</b> <span>{{ $file->status->readable() }}</span></a></li>@endforeach
