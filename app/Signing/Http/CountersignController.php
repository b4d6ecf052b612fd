<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Models\Requirement;
use App\Models\User;
use App\Signing\Actions\Countersign;
use App\Signing\CounterPlaces;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Unanimus\Pages\Rect;
use Unanimus\Signing\AdoptedSignature;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\ProposedMark;

/** The broker's own signature on what was submitted, from the review desk. */
final class CountersignController
{
    /** A signature that is pointed at, in points. */
    private const WIDTH = 170.0;

    private const HEIGHT = 24.0;

    public function show(Request $request, Requirement $requirement): View
    {
        Gate::authorize('review', $requirement->load(['file.office', 'paper.latest'])->file);
        $user = User::signedIn($request);

        return view('signing.countersign', [
            'requirement' => $requirement,
            'places' => $requirement->paper === null ? [] : CounterPlaces::on($requirement->paper),
            'before' => Countersign::before($user),
            'user' => $user,
        ]);
    }

    public function store(Request $request, Requirement $requirement, Countersign $sign): RedirectResponse
    {
        Gate::authorize('review', $requirement->load(['file.office', 'paper.latest'])->file);
        $given = $request->validate(
            [
                'name' => 'required|string|max:120',
                'initials' => 'required|string|max:8',
                'hand' => 'nullable|in:'.implode(',', array_keys(AdoptedSignature::HANDS)),
                'agree' => 'accepted',
                'page' => 'nullable|integer|between:1,1000',
                'x' => 'nullable|numeric|between:0,14400',
                'y' => 'nullable|numeric|between:0,14400',
            ],
            ['name.required' => 'Write the name you sign with.', 'agree.accepted' => 'Say that you sign electronically.'],
        );
        $user = User::signedIn($request);
        $before = Countersign::before($user);
        $asBefore = ($given['hand'] ?? '') === '' && $before !== null;
        $sign(
            $requirement,
            $user,
            $asBefore ? $before : AdoptedSignature::typed($given['name'], $given['initials'], $given['hand'] ?? 'flowing'),
            self::places($requirement, $given),
            ['address' => $request->ip(), 'device' => $request->userAgent()],
        );

        return to_route('review.show', $requirement)->with('told', "You signed “{$requirement->title}”. It is sealed in a moment.");
    }

    /**
     * Where it was pointed, else where the paper has places.
     *
     * @param array<string, mixed> $given
     * @return list<ProposedMark>
     */
    private static function places(Requirement $requirement, array $given): array
    {
        if (! isset($given['page'], $given['x'], $given['y'])) {
            return $requirement->paper === null ? [] : CounterPlaces::on($requirement->paper);
        }
        $place = new Rect((float) $given['x'], max(0.0, (float) $given['y'] - self::HEIGHT), self::WIDTH, self::HEIGHT);
        $date = new Rect($place->x + self::WIDTH + 8, $place->y + self::HEIGHT - 14, 70, 14);

        return [
            new ProposedMark((int) $given['page'], $place, MarkKind::Signature, null, 'broker', 1.0),
            new ProposedMark((int) $given['page'], $date, MarkKind::Date, null, 'broker', 1.0),
        ];
    }
}
