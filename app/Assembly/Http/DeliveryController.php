<?php

declare(strict_types=1);

namespace App\Assembly\Http;

use App\Assembly\Actions\SendMissing;
use App\Models\AssembledSet;
use App\Models\DealFile;
use App\Models\User;
use App\Papers\Deliveries;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\DeliveryHow;
use Unanimus\Steps\StepRefused;

/** Whether the executed papers of a file have reached everyone. */
final class DeliveryController
{
    private const WITH = [
        'office', 'papers.latest', 'papers.returned', 'parties.contact', 'requirements', 'members', 'rounds.papers', 'rounds.marks',
    ];

    public function show(DealFile $file): View
    {
        Gate::authorize('see', $file);
        $file->load(self::WITH);

        return view('assembly.delivery', [
            'file' => $file,
            'deliveries' => Deliveries::of($file),
            'works' => Gate::allows('work-on', $file),
            'failed' => AssembledSet::failedToGo($file->id)->last(),
            'soon' => AssembledSet::goingOut($file->id)->flatMap(static fn (AssembledSet $set) => $set->for_parties)->unique(),
        ]);
    }

    /** Everyone gets what they have not got. */
    public function send(Request $request, DealFile $file, SendMissing $send): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $file->load(self::WITH);
        [$sent, $soon, $left] = $send($file, User::signedIn($request));
        $told = array_filter([
            $sent === [] ? null : 'Sent to '.implode(', ', $sent).'.',
            $soon === [] ? null : 'Many pages: they go to '.implode(', ', $soon).' as soon as they are combined.',
            $sent === [] && $soon === [] ? 'Nothing was sent.' : null,
            $left === [] ? null : 'Not sent: '.implode('; ', $left).'.',
        ]);

        $how = $sent === [] && $soon === [] && $left !== [] ? 'refused' : 'told';

        return to_route('files.delivery', $file)->with($how, implode(' ', $told));
    }

    /** What reached somebody otherwise. */
    public function note(Request $request, DealFile $file, SendMissing $send): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $file->load(self::WITH);
        $given = $request->validate(
            [
                'party' => 'required|string|max:26',
                'papers' => 'required|array|max:200',
                'papers.*' => 'string|max:26',
                'how' => ['required', Rule::in(array_map(static fn (DeliveryHow $how) => $how->value, DeliveryHow::byHand()))],
                'on' => 'nullable|string|max:40',
            ],
            ['papers.required' => 'Select at least one paper first.'],
        );
        $party = $file->parties->firstWhere('key', $given['party']) ?? abort(404);
        $today = $file->office->today();
        try {
            $on = trim((string) ($given['on'] ?? '')) === '' ? $today : LocalDate::parse($given['on'], $today);
        } catch (DateUnreadable $unreadable) {
            throw StepRefused::unreadable($unreadable);
        }
        [$keys, $how] = [array_values($given['papers']), DeliveryHow::from($given['how'])];
        $count = $send->note($file, $party, $keys, $how, $on, User::signedIn($request));

        return to_route('files.delivery', $file)->with('told', $count === 1
            ? "Noted: 1 paper reached {$party->name}."
            : "Noted: {$count} papers reached {$party->name}.");
    }
}
