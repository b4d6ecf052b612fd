Hello {!! $letter->recipient_name !!},

{!! $letter->body !!}
@if ($letter->action_url)

{!! $letter->action_label !!}: {!! $letter->action_url !!}
@endif
