<x-layout title="Office" place="office">
    <div class="head-row"><h1>Office</h1></div>
    <div class="columns-2">
        <div class="leaf pad">
            <h2>People</h2>
            <table class="ledger"><thead><tr><th>Name</th><th>Roles</th><th>Mail</th></tr></thead><tbody>
                @foreach ($people as $person)<tr><td><b>{{ $person->name }}</b></td><td class="dim">{{ $person->officeRoles->map(fn ($role) => $role->role.', '.$role->office->name)->implode(' · ') }}</td><td class="dim">{{ $person->email }}</td></tr>@endforeach
            </tbody></table>
        </div>
        <div>
            @can('run-office')
                <div class="leaf pad"><h2>Inbox</h2>
                    @if ($inbox->isEmpty())<p class="dim">What comes by mail and is not in a file yet waits here.</p>@else
                    <table class="ledger"><tbody>@foreach ($inbox as $item)<tr><td><b>{{ $item->subject ?: '(no subject)' }}</b><br><span class="dim small">{{ $item->sender }}</span></td><td class="dim">{{ collect($item->attachments)->pluck('name')->implode(', ') ?: 'no attachment' }}</td><td class="right dim">{{ $item->received_at->format('D j M') }}</td></tr>@endforeach</tbody></table>@endif
                </div><br>
            @endcan
            <div class="leaf pad"><h2>Offices</h2>
                <table class="ledger"><tbody>@foreach ($offices as $office)<tr><td><b>{{ $office->name }}</b></td><td class="dim">{{ $office->zone }}</td></tr>@endforeach</tbody></table>
            </div><br>
            <div class="leaf pad"><h2>Library</h2>
                <table class="ledger"><tbody>@foreach ($forms as $form)<tr><td>{{ $form->number }}</td><td><b>{{ $form->title }}</b></td><td class="dim">{{ count($form->pages) }} pages, {{ count($form->blanks) }} blanks</td><td class="dim right">rev. {{ $form->revision }}</td></tr>@endforeach</tbody></table>
            </div><br>
            <div class="leaf pad"><h2>Your password</h2>
                <form method="post" action="/password">@csrf @method('put')
                    <label class="line"><span>Present password</span><input class="input" type="password" name="current" autocomplete="current-password" required></label>
                    <label class="line"><span>New password, ten characters or more</span><input class="input" type="password" name="password" autocomplete="new-password" required minlength="10"></label>
                    <label class="line"><span>Once more</span><input class="input" type="password" name="password_confirmation" autocomplete="new-password" required></label>
                    <button class="button">Change it</button>
                </form>
            </div>
        </div>
    </div>
</x-layout>
