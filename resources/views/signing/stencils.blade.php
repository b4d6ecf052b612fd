<x-office title="Stencils" at="stencils" about="places to sign, kept from rounds and proposed on papers like them">
    @if ($query !== '' || $stencils->isNotEmpty())<form method="get" action="/stencils"
        class="narrow"><label class="line"><span>Find a stencil</span><input class="input" name="q"
        value="{{ $query }}" autocomplete="off"></label></form>@endif
    @if ($stencils->isEmpty())
        <p class="dim">{{ $query === '' ? 'None yet. Place marks on a paper in a round, then choose “Keep as stencil” at the paper.' :
            'None of that name.' }}</p>
    @else
        <div class="leaf pad">
            <table class="ledger"><thead><tr><th>Stencil</th><th>Who signs</th><th class="amount">Places</th><th class="amount">Pages</th>
                <th class="amount">Used</th><th><span class="unseen">Actions</span></th></tr></thead><tbody>
                @foreach ($stencils as $stored)
                    @php($stencil = $stored->stencil()) @php($roles = collect($stencil->seats())->map(fn ($seat) => $seat->role)->unique())
                    <tr data-row @class(['dim' => $stored->put_away])>
                        <td><b>{{ $stored->name }}</b><br><span class="dim small">{{ $stored->user_id === null ? 'everyone’s' : 'yours
                            alone' }}{{ $stored->agency === null ? '' : ' · '.$stored->agency->label()
                            }}{{ $stored->put_away ? ', archived' : '' }}</span></td>
                        <td>@foreach ($stencil->seats() as $seat)<x-seat :seat="$seat" :title="$seat->label()" />@endforeach</td>
                        <td class="amount">{{ count($stencil->marks) }}</td><td class="amount">{{ $stencil->pageCount() }}</td>
                        <td class="amount">{{ $stored->used }}</td>
                        <td class="right">@if ($stored->isKeptBy($user))
                            <button class="button tight" type="button" data-opens="#stencil-{{ $stored->key }}" data-open>Change
                                {{ $stored->name }}</button>@endif</td></tr>
                @endforeach
            </tbody></table>
        </div>
        @foreach ($stencils->filter(fn ($stored) => $stored->isKeptBy($user)) as $stored)
            @php($clients = collect($stored->stencil()->seats())->map(fn ($seat) => $seat->role)->filter->isClient()->unique())
            <dialog id="stencil-{{ $stored->key }}" class="leaf pad" aria-label="{{ $stored->name }}">
                <h2>{{ $stored->name }}</h2>
                <form method="post" action="/stencils/{{ $stored->key }}">@csrf @method('put')
                    <label class="line"><span>Name</span><input class="input" name="name" value="{{ $stored->name }}" required
                        maxlength="80"></label>
                    <label class="line"><span>For files where we act for</span><span class="select"><select name="agency">
                        <option value="">anyone</option>@foreach (\Unanimus\Terms\Agency::cases() as $one)
                        <option value="{{ $one->value }}" @selected($stored->agency === $one)>{{ $one->label() }}</option>
                        @endforeach</select></span></label>
                    <button class="button now" name="do" value="rename">Save</button>
                    <button class="button" name="do" value="{{ $stored->put_away ? 'back' : 'away' }}">{{ $stored->put_away ?
                        'Bring back' : 'Archive' }}</button>
                    <button class="button" formmethod="dialog" formnovalidate>Cancel</button>
                </form>
                @foreach ($clients as $from)
                    <form method="post" action="/stencils/{{ $stored->key }}">@csrf @method('put')
                        <input type="hidden" name="from" value="{{ $from->value }}">
                        <p class="small">The same for @foreach (\Unanimus\Parties\PartyRole::clients() as $to) @if ($to !== $from)
                            <button class="button tight" name="to" value="{{ $to->value }}">{{ $to->value }}s</button>@endif @endforeach
                            instead of {{ $from->value }}s</p><input type="hidden" name="do" value="copy"></form>
                @endforeach
                <p class="dim small">To move or add places, use it in a round, change them there, and keep it under the same name.</p>
            </dialog>
        @endforeach
    @endif
</x-office>
