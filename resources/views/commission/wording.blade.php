<x-office title="Authorizations" at="wording" about="what they say to escrow, and who is paid how">
    @if (auth()->user()->holds(\App\Models\Role::Broker))
    <section class="leaf pad" aria-label="Your signature">
        <h2>Your signature</h2>
        <p class="dim small">It appears on the authorizations you give, in offices that use it.</p>
        @if ($signature)<svg viewBox="0 0 240 60" width="240" height="60" class="kept-ink" role="img" aria-label="Your signature">{!!
            $signature->in(new \Unanimus\Pages\Rect(4, 4, 232, 52)) !!}</svg>@endif
        <div class="in-row"><form method="post" action="/office/disbursements/signature" enctype="multipart/form-data">@csrf
            <label class="button tight">{{ $signature ? 'Replace it' : 'Upload a picture of it' }}<input class="unseen" type="file"
                name="picture" accept="image/png,image/jpeg,image/webp,image/gif" required data-sends></label></form>
        @if ($signature)<form method="post" action="/office/disbursements/signature">@csrf @method('delete')<button
            class="button tight">Remove it</button></form>@endif</div>
    </section>
    @endif
    @foreach ($offices as $office)
        @php($w = $words[$office->id])
        @php($kept = (array) $office->disbursement)
        <section class="leaf pad" aria-label="{{ $office->name }}">
            <h2>{{ $office->name }}</h2>
            <form method="post" action="/office/disbursements/{{ $office->key }}">@csrf @method('put')
                <div class="money-entries">
                    <label class="line"><span>Agents are paid</span><span class="select"><select name="agents">
                        <option value="direct">by escrow, directly</option><option value="company" @selected(! $w->agentsDirect)>by the
                        company, from its part</option></select></span></label>
                    <label class="line"><span>Firms that referred a client are paid</span><span class="select"><select name="referral">
                        <option value="direct">by escrow, directly</option><option value="company" @selected(! $w->referralDirect)>by the
                        company, from its part</option></select></span></label>
                    <label class="line"><span>Signed</span><span class="select"><select name="sign"><option value="typed">by authorizing it
                        here</option><option value="picture" @selected($w->withPicture)>by authorizing it here, with the
                        broker’s signature</option><option value="hand" @selected($w->byHand)>on a line, by pen or in a round</option>
                        </select></span></label>
                    <label class="line"><span>Account, by a reference</span><input class="input" name="account" maxlength="80"
                        value="{{ old('account', $w->account) }}" placeholder="Quillmark operating, ending 4417"></label>
                </div>
                <label class="line"><span>Letterhead, beneath the company’s name</span><textarea class="textarea" name="letterhead" rows="2"
                    maxlength="400">{{ old('letterhead', $w->letterhead) }}</textarea></label>
                <label class="line"><span>What it says</span><textarea class="textarea" name="text" rows="4" maxlength="3000"
                    placeholder="{{ $w->text }}">{{ old('text', $kept['text'] ?? '') }}</textarea></label>
                <p class="dim small">Fields: @foreach (\Unanimus\Commission\DisbursementWording::FIELDS as $field)<code>{{ '{'.$field.'}'
                    }}</code> @endforeach. Never write an account number in full.</p>
                <button class="button tight now">Save for {{ $office->name }}</button>
            </form>
        </section>
    @endforeach
</x-office>
