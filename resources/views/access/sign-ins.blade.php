<details class="sign-ins"><summary><b>Sign-ins</b> <span class="dim small">{{ $signIns === [] ? 'none yet' : 'last '.
    \App\Terms\When::list(\Illuminate\Support\Carbon::parse($signIns[0]->at), $zone) }}</span></summary>
    @if ($signIns !== [])<div class="scrolls"><table class="ledger"><thead><tr><th scope="col">When</th><th scope="col">What</th><th
        scope="col">On</th><th scope="col">From</th></tr></thead><tbody>
        @foreach ($signIns as $one)
            <tr><td>{{ \App\Terms\When::list(\Illuminate\Support\Carbon::parse($one->at), $zone) }}</td><td @class(['late' =>
                $one->outcome !== 'in'])>{{ $one->outcome === 'in' ? 'signed in' : $one->outcome }}</td><td>{{ $one->device }}</td><td
                class="dim">{{ $one->address }}</td></tr>
        @endforeach
    </tbody></table></div>@endif
</details>
