<?php

declare(strict_types=1);

namespace App\Files\Http;

use App\Files\Actions\MoveDates;
use App\Files\Agenda;
use App\Files\CalendarLink;
use App\Models\DealFile;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\LocalDate;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\Term;

/** A file's dates: how each is computed, what moves with an anchor, single days set by hand. */
final class DatesController
{
    public function show(DealFile $file): View
    {
        Gate::authorize('see', $file);
        $file->load(['office', 'knownFacts', 'kits']);
        $agenda = Agenda::of($file);

        return view('files.dates', [
            'file' => $file,
            'agenda' => $agenda,
            'line' => $agenda->line(),
            'works' => Gate::allows('work-on', $file),
            'calendar' => CalendarLink::ofFile($file),
        ]);
    }

    public function preview(Request $request, DealFile $file): View
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(['anchor' => 'required|string|max:40', 'day' => 'required|string|max:40']);
        $file->load(['office', 'knownFacts', 'kits']);
        $day = $this->day($given['day'], $file);

        return view('files.shift', [
            'file' => $file,
            'anchor' => $given['anchor'],
            'day' => $day,
            'shift' => MoveDates::preview($file, $given['anchor'], $day),
            'agenda' => Agenda::of($file),
            'label' => Term::from($given['anchor'])->label(),
            'asks' => MoveDates::isAskedFirst($file, $given['anchor']),
            'back' => $request->query('at') === 'opening' ? 'opening' : '',
        ]);
    }

    public function move(Request $request, DealFile $file, MoveDates $dates): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate([
            'anchor' => 'required|string|max:40',
            'day' => 'required|string|max:40',
            'reason' => 'nullable|string|max:500',
            'seen' => 'nullable|string|max:10',
            'back' => 'nullable|string|max:20',
        ]);
        $dates->move(
            $file->load(['office', 'knownFacts', 'kits']),
            $given['anchor'],
            $this->day($given['day'], $file),
            (string) ($given['reason'] ?? ''),
            array_key_exists('seen', $given) ? (string) $given['seen'] : null,
        );

        return redirect(
            "/files/{$file->key}".(in_array($given['back'] ?? '', ['opening', 'dates'], true) ? '/'.$given['back'] : ''),
        )->with('told', 'Date moved, with every date counted from it.');
    }

    public function setByHand(Request $request, DealFile $file, string $name, MoveDates $dates): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(
            ['day' => 'required|string|max:40', 'reason' => 'required|string|max:300'],
            ['reason.required' => 'Give a reason why this date differs from the contract.'],
        );
        $dates->setByHand($file->load(['office', 'knownFacts', 'kits']), $name, $given['day'], $given['reason']);

        return to_route('files.dates.index', $file)->with('told', 'Date set by hand. Dates counted from it now use the new date.');
    }

    public function bringBack(DealFile $file, string $name, MoveDates $dates): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $dates->bringBack($file->load(['office', 'knownFacts', 'kits']), $name);

        return to_route('files.dates.index', $file)->with('told', 'The date follows the contract again.');
    }

    private function day(string $typed, DealFile $file): LocalDate
    {
        try {
            return LocalDate::parse($typed, $file->office->today());
        } catch (DateUnreadable $unreadable) {
            throw StepRefused::unreadable($unreadable);
        }
    }
}
