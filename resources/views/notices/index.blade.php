<x-layout title="Notifications">
    <div class="head-row"><h1>Notifications</h1><span class="dim">what happened, newest first</span><span class="right in-row">
        @if ($notices->contains(fn ($one) => $one->seen_at === null))<form method="post" action="/notices/seen">@csrf<button
            class="button tight">Mark all as read</button></form>@endif
        <a href="/notices/settings">Notification settings</a></span></div>
    <div class="leaf pad">
        <ol class="notices">
        @forelse ($notices as $notice)
            <li data-row @class(['is-new' => $notice->seen_at === null])>
                <form method="post" action="/notices/{{ $notice->key }}">@csrf<button class="plain-link" data-open>{{ $notice->line()
                    }}</button></form>
                <span class="dim small">{{ \App\Terms\When::list($notice->at, $user->zone()) }}@if ($notice->mailed_at || ($notice->choice
                    === \Unanimus\Notices\NoticeChoice::AtOnce && ! $notice->mail_at)), emailed @elseif ($notice->mail_at), email at {{
                    \App\Terms\When::list($notice->mail_at, $user->zone()) }}@endif</span></li>
        @empty<li class="empty">Nothing yet. When someone signs, asks, answers, or sends a document back, you see it here.</li>@endforelse
        </ol>
    </div>
</x-layout>
