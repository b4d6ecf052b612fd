<x-office title="Inbox" at="inbox" about="email that is not in a file yet">
    <div class="leaf pad">
        @if ($inbox->isEmpty())<p class="empty">Nothing is waiting. Documents sent to the office’s address show up here.</p>@else
        <table class="ledger"><thead><tr><th>Subject</th><th>From</th><th>Attached</th><th class="amount">Received</th></tr></thead><tbody>
            @foreach ($inbox as $item)<tr data-row><td><b>{{ $item->subject ?: '(no subject)' }}</b></td><td class="dim">{{ $item->sender }}
                </td><td class="dim">{{ collect($item->attachments)->pluck('name')->implode(', ') ?: 'nothing' }}</td>
                <td class="amount dim">{{ \App\Terms\When::list($item->received_at, auth()->user()->zone()) }}</td></tr>@endforeach
        </tbody></table>@endif
    </div>
</x-office>
