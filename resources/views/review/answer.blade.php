@can('work-on', $file)
    <form class="in-row answer-remark" method="post" action="/remarks/{{ $remark->key }}/answer">@csrf
        <input class="input" name="answer" maxlength="1000" required autocomplete="off" aria-label="What you did about it"
            placeholder="What you did about it"><button class="button tight">Answer</button></form>
@endcan
