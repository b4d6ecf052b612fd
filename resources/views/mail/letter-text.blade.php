Hello {!! $letter->recipient_name !!},

{!! $letter->body !!}
@if ($url)

{!! $letter->action_label !!}: {!! $url !!}
@endif
@if ($letter->closing)

{!! $letter->closing !!}
@endif
@if ($noMore ?? null)

{!! __('mail.message.no_more') !!}{!! $noMore !!}
@endif
