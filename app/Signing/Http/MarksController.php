<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Models\Round;
use App\Models\User;
use App\Signing\Actions\ComposeRound;
use App\Signing\Actions\LayStencil;
use App\Signing\Actions\PlaceMarks;
use App\Signing\Actions\TakeDeskStep;
use App\Signing\PlacedMark;
use App\Signing\RoundDesk;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use Unanimus\Signing\EntryFormat;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\Seat;

/** The places to sign of a round that is being composed; each change is stored as it is made. */
final class MarksController
{
    public function __construct(private readonly TakeDeskStep $steps)
    {
    }

    public function store(Request $request, Round $round, PlaceMarks $marks, LayStencil $lay): JsonResponse
    {
        Gate::authorize('work-on', $round->load(['file.office', 'file.members', 'papers.paper.latest'])->file);
        $given = $request->validate([
            'key' => 'required|string|min:8|max:60|regex:/^[\w:-]+$/',
            'do' => 'required|in:put,drop,keep,who,nobody,stencil,names,back,again',
            'step' => 'required_if:do,back,again|string|max:60|regex:/^[\w:-]+$/',
            'mark' => 'required_if:do,put,drop|string|regex:/^[0-9A-Z]{26}$/',
            'paper' => 'required_if:do,put,who,nobody,stencil|integer|min:0|max:200',
            'page' => 'required_if:do,put|integer|min:1|max:1000',
            'seat' => 'required_if:do,put,who|string|max:12|regex:/^[a-z]+\.[1-9]\d?$/',
            'kind' => ['required_if:do,put', Rule::enum(MarkKind::class)],
            'place' => 'required_if:do,put|array|size:4',
            'word' => 'nullable|string|max:80',
            'stencil' => 'nullable|string|max:26',
            'terms' => 'nullable|array:required,hint,format,group,when,filled,private',
            'terms.hint' => 'nullable|string|max:80',
            'terms.format' => ['nullable', Rule::enum(EntryFormat::class)],
            'terms.group' => 'nullable|string|max:20',
            'terms.when' => 'nullable|string|size:26',
            'terms.filled' => 'nullable|string|max:500',
        ]);
        $by = User::signedIn($request);
        $change = fn () => match ($given['do']) {
            'put' => $marks->put($round, $given['mark'], new PlacedMark(
                (int) $given['paper'],
                (int) $given['page'],
                Seat::of($given['seat']),
                MarkKind::from($given['kind']),
                $given['place'],
                $given['terms'] ?? [],
            )),
            'drop' => $marks->drop($round, $given['mark']),
            'keep' => $marks->keep($round),
            'names' => $marks->names($round),
            'nobody' => $marks->nobody($round, (int) $given['paper'], (string) ($given['word'] ?? '')),
            'stencil' => $lay->choose($round, (int) $given['paper'], (string) ($given['stencil'] ?? ''), $by),
            default => $marks->who($round, (int) $given['paper'], (string) ($given['word'] ?? ''), Seat::of($given['seat'])),
        };
        match ($given['do']) {
            'back' => $this->steps->back($round, $given['step'], $by),
            'again' => $this->steps->again($round, $given['step'], $by),
            default => $this->steps->take($round, $given['step'] ?? $given['key'], $by, $change),
        };

        return new JsonResponse(self::desk($round, $by));
    }

    /** How the desk stands now: a scan is read while its places are pointed at. */
    public function show(Request $request, Round $round): JsonResponse
    {
        Gate::authorize('work-on', $round->load(['file.office', 'file.members'])->file);

        return new JsonResponse(self::desk($round, User::signedIn($request)));
    }

    /** Lines and boxes of a page, or its printed words, for the pointer to snap to. */
    public function places(Request $request, Round $round, int $position, int $page): JsonResponse
    {
        Gate::authorize('work-on', $round->load(['file.office', 'file.members', 'papers.paper.latest'])->file);
        $sent = $round->papers->firstWhere('position', $position) ?? abort(404);

        return (new JsonResponse(
            $request->boolean('words') ? RoundDesk::words($sent, $page) : RoundDesk::places($sent, $page),
        ))->setPrivate()->setMaxAge(3600);
    }

    /** @return array<string, mixed> */
    private static function desk(Round $round, User $by): array
    {
        $round = RoundDesk::fresh($round);

        return [
            ...RoundDesk::of($round, $by),
            'faults' => view('signing.faults', ['round' => $round, 'faults' => ComposeRound::faults($round)])->render(),
            'signers' => view('signing.signers', ['round' => $round, 'file' => $round->file])->render(),
        ];
    }
}
