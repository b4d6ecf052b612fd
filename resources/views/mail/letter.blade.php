<!doctype html>
<html lang="en"><body style="margin:0;padding:24px;background:#f5f1e7;font:16px/1.5 Georgia,serif;color:#1f2c27">
<div style="max-width:560px;margin:0 auto;background:#fffdf8;border:1px solid #dcd5c5;padding:26px 30px">
@unless ($letter->own_words)<p style="margin:0 0 14px">Hello {{ $letter->recipient_name }},</p>@endunless

@foreach (explode("\n\n", $letter->body) as $paragraph)<p style="margin:0 0 14px">{!! nl2br(e($paragraph)) !!}</p>@endforeach
@if ($url)<p style="margin:20px 0">
    <a href="{{ $url }}"
    style="background:#1f2c27;color:#fffdf8;padding:11px 18px;text-decoration:none;border-radius:3px">{{ $letter->action_label }}</a></p>
<p style="font-size:13px;color:#56635c;overflow-wrap:anywhere">{{ $url }}</p>@endif
@if ($letter->closing)<p style="font-size:13px;color:#56635c;overflow-wrap:anywhere">{!! preg_replace('~https?://\S+~',
    '<a href="$0">$0</a>',
    e($letter->closing)) !!}</p>@endif
@if ($noMore ?? null)<p style="font-size:13px;color:#56635c">{{ __('mail.message.no_more') }}<a
    href="{{ $noMore }}">{{ __('mail.message.no_more_button') }}</a></p>@endif
</div></body></html>
