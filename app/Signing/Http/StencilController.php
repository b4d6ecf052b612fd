<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Models\Round;
use App\Models\StoredStencil;
use App\Models\User;
use App\Signing\Actions\KeepStencil;
use App\Signing\StencilShelf;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use Unanimus\Parties\PartyRole;
use Unanimus\Terms\Agency;

/** Stencils: kept from a round, listed, renamed, copied for another role, put away and brought back. */
final class StencilController
{
    public function __construct(private readonly KeepStencil $keep)
    {
    }

    public function index(Request $request): View
    {
        Gate::authorize('open-files');
        $user = User::signedIn($request);
        $query = trim((string) $request->query('q', ''));
        $all = StencilShelf::of($user)
            ->when($query !== '', static fn ($found) => $found->where('name', 'ilike', '%'.addcslashes($query, '%_\\').'%'))
            ->orderBy('put_away')
            ->orderByDesc('used')
            ->orderBy('name')
            ->get();

        return view('signing.stencils', ['stencils' => $all, 'user' => $user, 'query' => $query]);
    }

    public function store(Request $request, Round $round, int $position): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        $given = $request->validate(['name' => 'required|string|max:80', 'whose' => 'required|in:mine,everyone']);
        $stored = ($this->keep)($round, $position, $given['name'], $given['whose'] === 'mine', User::signedIn($request));

        return to_route('rounds.show', $round)->with('told', "Kept as the stencil “{$stored->name}”.");
    }

    public function update(Request $request, StoredStencil $stencil): RedirectResponse
    {
        $user = User::signedIn($request);
        Gate::authorize('open-files');
        abort_unless($stencil->isKeptBy($user), 403);
        $given = $request->validate([
            'do' => 'required|in:rename,away,back,copy',
            'name' => 'required_if:do,rename|nullable|string|max:80',
            'agency' => ['nullable', Rule::enum(Agency::class)],
            'from' => ['required_if:do,copy', Rule::enum(PartyRole::class)],
            'to' => ['required_if:do,copy', Rule::enum(PartyRole::class)],
        ]);
        match ($given['do']) {
            'rename' => $this->mend($stencil, (string) $given['name'], $given['agency'] ?? ''),
            'copy' => $this->keep->copyFor($stencil, PartyRole::from($given['from']), PartyRole::from($given['to']), $user),
            default => $this->keep->putAway($stencil, $given['do'] === 'away'),
        };

        return to_route('stencils.index')->with('told', [
            'rename' => 'Saved.',
            'away' => 'Archived. It is no longer suggested.',
            'back' => 'Brought back.',
            'copy' => 'Copied.',
        ][$given['do']]);
    }

    private function mend(StoredStencil $stencil, string $name, string $agency): void
    {
        $this->keep->rename($stencil, $name);
        $this->keep->meanFor($stencil, Agency::tryFrom($agency));
    }
}
