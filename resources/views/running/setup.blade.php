<x-office title="Set up {{ $brokerage->name }}" at="setup"
    :about="$setup->settled().' of '.count(\Unanimus\Running\SetupStep::cases()).' steps done'">
    <ol class="leaf setup" aria-label="Steps">
        @php($next = $setup->next())
        @foreach (\Unanimus\Running\SetupStep::cases() as $step)
            @php($state = $setup->state($step))
            <li id="{{ $step->value }}" @class(['settled' => $state->isSettled(), 'is-next' => $step === $next])>
                <span class="setup-mark" aria-hidden="true">{{ ['done' => '✓', 'checked' => '✓', 'later' => '…', 'open' =>
                    $loop->iteration][$state->value] }}</span>
                <div>
                    <h2>{{ $step->title() }} <small class="dim">{{ ['done' => 'done', 'checked' => 'looked through', 'later' =>
                        'left for later', 'open' => ''][$state->value] }}</small></h2>
                    <p class="dim">{{ $step->says() }}</p>
                    @if ($step === \Unanimus\Running\SetupStep::Sender)
                        <form method="post" action="/office/setup/sender" class="setup-form">@csrf @method('put')
                            <label class="line"><span>Name of the brokerage</span><input class="input" name="name" required maxlength="120"
                                value="{{ old('name', $brokerage->name) }}"></label>
                            <label class="line"><span>Name on emails</span><input class="input" name="sender_name" maxlength="120"
                                value="{{ old('sender_name', $brokerage->sender_name) }}" placeholder="{{ $brokerage->name }}"></label>
                            <label class="line"><span>Address on emails</span><input class="input" type="email" name="sender_address"
                                maxlength="200" value="{{ old('sender_address', $brokerage->sender_address) }}"
                                placeholder="{{ config('mail.from.address') }}"></label>
                            <button class="button tight">Save sender</button>
                        </form>
                    @elseif ($step === \Unanimus\Running\SetupStep::Offices)
                        <ul class="plain small">@foreach ($offices as $office)<li><b>{{ $office->name }}</b>: {{ str_replace('_', ' ',
                            $office->zone) }}, {{ count((array) $office->holidays) }} holidays of its own besides the usual ones</li>
                            @endforeach</ul>
                    @endif
                </div>
                <div class="setup-acts">
                    @if ($step !== \Unanimus\Running\SetupStep::Sender)<a @class(['button', 'tight', 'now' => $step === $next])
                        href="{{ $step->place() }}">{{ $step->isLook() ? 'Open '.['offices' => 'offices', 'forms' => 'library',
                        'kits' => 'kits', 'rules' => 'rules'][$step->value] : ['people' => 'Invite people', 'own-form' => 'Make a form',
                        'plans' => 'Enter plans', 'first-file' => 'Go to files'][$step->value] }}</a>@endif
                    @if ($state->value !== 'done')
                        <form method="post" action="/office/setup/{{ $step->value }}">@csrf
                            @if ($state->value === 'open')
                                @if ($step->isLook())<button class="button tight" name="state" value="checked">Looks right</button>@endif
                                <button class="button tight plain" name="state" value="later"
                                    aria-label="{{ $step->title() }}: later">Later</button>
                            @else<button class="button tight plain" name="state" value="open"
                                aria-label="{{ $step->title() }}: open again">Open again</button>@endif
                        </form>
                    @endif
                </div>
            </li>
        @endforeach
    </ol>
    @if ($brokerage->sets_up)<form method="post" action="/office/setup/finish" class="setup-end">@csrf
        @if (! $setup->isReady())<p class="small dim">As long as no one is a broker and no one an agent or coordinator, no file can be
            opened and reviewed. If you do that yourself, give yourself those roles under <a href="/office">People</a>.</p>@endif
        <button @class(['button', 'now' => $next === null])>Finish setup</button>
        <span class="small dim">You can leave this page and continue any time. Everything here is found under Office later.</span></form>
    @endif
</x-office>
