Hello {!! $letter->recipient_name !!},

{!! $letter->body !!}
@if ($url)

{!! $letter->action_label !!}: {!! $url !!}
@endif
