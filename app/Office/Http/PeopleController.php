<?php

declare(strict_types=1);

namespace App\Office\Http;

use App\Access\Invitation;
use App\Access\LookAs;
use App\Access\SignIns;
use App\Models\Office;
use App\Models\Role;
use App\Models\User;
use App\Office\Actions\InviteMany;
use App\Office\Actions\KeepOffices;
use App\Office\Actions\KeepPeople;
use App\Office\Http\Requests\InviteRequest;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use Unanimus\Access\AccessRefusal;
use Unanimus\Requirements\Stage;
use Unanimus\Review\ReviewPlan;
use Unanimus\Signing\DateLook;
use Unanimus\Signing\ReminderPlan;

/** People and offices, kept by those who run them. */
final class PeopleController
{
    public function show(Request $request, User $user): View
    {
        Gate::authorize('run-office');

        return view('office.person', [
            'person' => $user->load('officeRoles.office'),
            'signIns' => SignIns::of($user),
            'zone' => User::signedIn($request)->zone(),
            'offices' => Office::query()->orderBy('name')->get(),
            'files' => DB::table('file_members')
                ->join('deal_files', 'deal_files.id', '=', 'file_members.deal_file_id')
                ->where('user_id', $user->id)
                ->whereIn('status', ['preparing', 'active', 'under_contract'])
                ->count(),
        ]);
    }

    public function invite(InviteRequest $request, KeepPeople $people): RedirectResponse
    {
        $given = $request->validated();
        $people->invite(
            User::signedIn($request),
            $given['name'],
            $given['email'],
            Office::query()->where('key', $given['office'])->firstOrFail(),
            Role::from($given['role']),
        );

        return to_route('office')->with('told', "Invitation sent to {$given['name']}.");
    }

    /** Several at once, as they stand in a spreadsheet; who could not be invited stays in the list, with the reason. */
    public function inviteMany(Request $request, InviteMany $invite): RedirectResponse
    {
        Gate::authorize('run-office');
        $given = $request->validate(['list' => 'required|string|max:60000', 'office' => 'required|string|max:26']);
        $office = Office::query()->where('key', $given['office'])->firstOrFail();
        [$invited, $left] = $invite(User::signedIn($request), $given['list'], $office);
        $told = $invited === 1 ? '1 invitation sent.' : "{$invited} invitations sent.";

        return redirect()->to('/office#several')->with(['invited' => $invited === 0 ? '' : $told, 'left' => $left]);
    }

    public function again(Request $request, User $user, KeepPeople $people): RedirectResponse
    {
        Gate::authorize('run-office');
        $user->invited_at === null
            ? throw AccessRefusal::HasPassword->because(name: $user->name)
            : $people->sendInvitation($user, User::signedIn($request));

        return to_route('people.show', $user)->with('told', 'Invitation sent again.');
    }

    public function roles(Request $request, User $user, KeepPeople $people): RedirectResponse
    {
        Gate::authorize('run-office');
        $given = $request->validate([
            'office' => 'required|string|max:26',
            'roles' => 'nullable|array',
            'roles.*' => 'in:'.implode(',', array_column(Role::cases(), 'value')),
        ]);
        $office = Office::query()->where('key', $given['office'])->firstOrFail();
        foreach (Role::cases() as $role) {
            $wanted = in_array($role->value, $given['roles'] ?? [], true);
            $user->holds($role, $office->id) === $wanted || $people->setRole(User::signedIn($request), $user, $office, $role, $wanted);
        }

        return to_route('people.show', $user)->with('told', 'Roles saved.');
    }

    public function active(Request $request, User $user, KeepPeople $people): RedirectResponse
    {
        Gate::authorize('run-office');
        $user->active ? $people->deactivate(User::signedIn($request), $user) : $people->activate(User::signedIn($request), $user);

        return to_route('people.show', $user)->with(
            'told',
            $user->active ? 'Access reopened.' : 'Access closed on every device. Files and papers stay.',
        );
    }

    /** An administrator sees what somebody sees. */
    public function look(Request $request, User $user, KeepPeople $people): RedirectResponse
    {
        $by = User::signedIn($request);
        $other = $by->holds(Role::Administrator) ? LookAs::colleague($by, $user->key) : null;
        $other ?? abort(403);
        $people->noteLook($other);
        $request->session()->put(LookAs::SESSION, $other->key);

        return to_route('today');
    }

    public function endLook(Request $request): RedirectResponse
    {
        $key = $request->session()->pull(LookAs::SESSION);

        return is_string($key) ? redirect()->to("/people/{$key}")->with('told', 'You are yourself again.') : to_route('today');
    }

    /** A form that this office prefers to others like it. */
    public function prefer(Request $request, Office $office, string $number, KeepOffices $offices): Response
    {
        Gate::authorize('run-office');
        $user = User::signedIn($request);
        abort_unless($office->brokerage_id === $user->brokerage_id && $user->runs($office), 403);
        $offices->prefer($office, $number, $request->boolean('on'));

        return response('', 204)->header('HX-Refresh', 'true');
    }

    public function office(Request $request, Office $office, KeepOffices $offices): RedirectResponse
    {
        Gate::authorize('run-office');
        $this->runs($request, $office);
        $given = $request->validate(
            [
                'name' => 'required|string|max:80',
                'zone' => 'required|timezone:all',
                'holidays' => 'nullable|string|max:4000',
                'reminders' => 'nullable|array|max:10',
                'reminders.*' => ['integer', Rule::in(ReminderPlan::CHOICES)],
                'date_look' => ['nullable', Rule::in(DateLook::FORMS)],
                'date_time' => 'nullable|boolean',
                'review' => 'nullable|array:'.implode(',', Stage::keys()),
                'review.*' => 'in:none,one,two',
                'spot' => 'nullable|integer|between:0,100',
                'agents' => 'nullable|array|max:200',
                'agents.*' => 'string|size:26',
                'whole' => 'nullable|boolean',
            ],
            ['zone.timezone' => 'This is not a time zone.'],
        );
        $offices->change($office, $given['name'], $given['zone'], (string) ($given['holidays'] ?? ''));
        // Boxes that are all unchecked send nothing: whether they stood on the page is said by themselves.
        $request->boolean('reminders_asked') &&
            $offices->remind($office, new ReminderPlan(array_values(array_map(intval(...), $given['reminders'] ?? []))));

        isset($given['date_look']) &&
            $offices->lookOfDates($office, DateLook::of($given['date_look'].($given['date_time'] ?? false ? '+time' : '')));

        isset($given['review']) && $offices->reviews($office, ReviewPlan::of([
            'none' => array_keys($given['review'], 'none', true),
            'second' => array_keys($given['review'], 'two', true),
            'spot' => $given['spot'] ?? 0,
            'agents' => array_values($given['agents'] ?? []),
            'whole' => $given['whole'] ?? false,
        ], Stage::keys()));

        return to_route('office')->with('told', 'Office saved. Dates of open files use it from now on.');
    }

    public function openOffice(Request $request, KeepOffices $offices): RedirectResponse
    {
        $user = User::signedIn($request);
        $user->holds(Role::Administrator) || abort(403);
        $given = $request->validate(['name' => 'required|string|max:80', 'zone' => 'required|timezone:all']);
        $office = $offices->open($user, $given['name'], $given['zone']);

        return to_route('office')->with('told', "{$office->name} is open. Now give people roles there.");
    }

    public function invitation(string $key, int $until, string $proof): View
    {
        return view('access.invitation', [
            'user' => Invitation::find($key, $until, $proof),
            'action' => "/invitation/{$key}/{$until}/{$proof}",
        ]);
    }

    public function takeUp(Request $request, string $key, int $until, string $proof, KeepPeople $people): RedirectResponse
    {
        $user = Invitation::find($key, $until, $proof) ?? abort(404);
        $given = $request->validate(
            ['password' => 'required|string|min:10|max:72|confirmed'],
            ['password.min' => 'Use at least 10 characters.', 'password.confirmed' => 'The two passwords do not match.'],
        );
        $people->choosePassword($user, $given['password']);
        Auth::login($user);
        $request->session()->regenerate();

        return to_route('today')->with('told', "Welcome, {$user->name}.");
    }

    private function runs(Request $request, Office $office): void
    {
        User::signedIn($request)->runs($office) || abort(403);
    }
}
