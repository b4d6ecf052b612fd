<x-layout title="Style">
    <h1>The style</h1>
    <p class="dim">Every element, in both themes. What stands here everything else is made of.</p>
    @foreach (['light', 'dark'] as $theme)
        <div data-theme="{{ $theme }}" class="leaf pad theme-sample">
            <h2>{{ ucfirst($theme) }}</h2>
            <p>Text, <span class="dim">second ink</span>, <span class="hot">waits on you</span>, <span class="ok">done</span>,
                <span class="late">late or declined</span>, <a href="#">a link</a>, <kbd>k</kbd></p>
            <p><button class="button">Usual</button> <button class="button solid">Main</button>
                <button class="button now">Waits on you</button> <button class="button plain">Quiet</button>
                <button class="button tight">Tight</button> <button class="button" disabled>Not now</button></p>
            <p>@foreach (['buyer.1', 'buyer.2', 'seller.1', 'agent.1', 'coagent.1', 'broker.1', 'escrow.1', 'lender.1'] as $key)<x-seat
                :seat="\Unanimus\Signing\Seat::of($key)" /> {{ \Unanimus\Signing\Seat::of($key)->label() }} &nbsp; @endforeach</p>
            <p>@foreach (['owes', 'open', 'done', 'declined'] as $state)
                @foreach (['buyer.1', 'seller.1', 'agent.1', 'broker.1', 'other.1'] as $key)
                <x-seat :seat="\Unanimus\Signing\Seat::of($key)" :state="$state" />
                @endforeach {{ ['owes' => 'owes marks', 'open' => 'opened', 'done' => 'done', 'declined' => 'declined'][$state] }} &nbsp;
                @endforeach <x-cell state="blanks" :seat="\Unanimus\Signing\Seat::of('agent.1')" who="Agent" /> owes blanks</p>
            <p>@foreach (\Unanimus\Files\DealStatus::cases() as $status)<x-status :$status /> @endforeach</p>
            <p class="say">Done: told in a line.</p><p class="say now">Waits: a remark to answer.</p><p class="say no">
                Refused: what happened, what is kept, what to do.</p>
            <label class="line"><span>A field</span><input class="input" value="14 Lanternfish Lane" aria-label="A field"></label>
            <table class="ledger"><thead><tr><th>Ledger</th><th class="amount">Amount</th></tr></thead><tbody><tr><td>Earnest money</td>
                <td class="amount">$8,000.00</td></tr><tr class="sum"><td>Sum</td><td class="amount">$8,000.00</td></tr></tbody></table>
            <p class="hands">
                @foreach (['flowing', 'upright', 'brisk', 'plain'] as $hand)<span
                class="hand hand-{{ $hand }}">José Nguyễn-Ortiz</span>@endforeach</p>
        </div><br>
    @endforeach
</x-layout>
