<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Party;
use App\Models\User;
use App\Models\WorkingCopy;
use App\Models\WorkingCopyPaper;
use App\Papers\PdfAnswer;
use App\Papers\SelectedPapers;
use App\Signing\Actions\GiveWorkingCopy;
use App\Signing\Actions\SettleReturned;
use App\Storage\Bytes;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Unanimus\Dates\LocalDate;
use Unanimus\Parties\PartyRole;

/** Working copies for the other side's agent: given, ended, and what comes back looked at and taken. */
final class WorkingCopyController
{
    /** Days for which one is open unless another last day is written. */
    private const DAYS = 14;

    public function begin(Request $request, DealFile $file): View
    {
        Gate::authorize('work-on', $file);

        return view('signing.work.give', [
            'file' => $file->load(['office', 'parties']),
            'papers' => SelectedPapers::from($file, $this->chosen($request)),
            'agent' => $file->parties->first(static fn (Party $party) => $party->role === PartyRole::Coagent),
            'until' => $file->office->today()->plusDays(self::DAYS),
        ]);
    }

    public function store(Request $request, DealFile $file, GiveWorkingCopy $give): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(
            [
                'name' => 'nullable|string|max:120',
                'firm' => 'nullable|string|max:120',
                'email' => 'nullable|email:rfc|max:200',
                'last_day' => 'required|string|max:40',
                'message' => 'nullable|string|max:2000',
            ],
            ['email.email' => 'This is not an email address.', 'last_day.required' => 'Enter the last day.'],
        );
        $file->load(['office', 'members', 'knownFacts', 'parties']);
        $lastDay = LocalDate::parse($given['last_day'], $file->office->today());
        $copy = $give->give(
            $file,
            SelectedPapers::from($file, $this->chosen($request)),
            [
                'name' => (string) ($given['name'] ?? ''),
                'firm' => (string) ($given['firm'] ?? ''),
                'email' => (string) ($given['email'] ?? ''),
                'message' => (string) ($given['message'] ?? ''),
            ],
            $lastDay,
            User::signedIn($request),
        );

        return to_route('working-copies.show', $copy)->with(
            'told',
            $copy->email === '' ? 'Share the link below with them.' : "{$copy->name} has an email with the link.",
        );
    }

    public function show(WorkingCopy $copy): View
    {
        $file = $copy->file->load(['office', 'members']);
        Gate::authorize('see', $file);

        return view('signing.work.given', [
            'copy' => $copy->load(['papers.paper', 'giver']),
            'file' => $file,
            'works' => Gate::allows('work-on', $file),
        ]);
    }

    public function end(WorkingCopy $copy, GiveWorkingCopy $give): RedirectResponse
    {
        Gate::authorize('work-on', $copy->file);
        $give->end($copy);

        return back()->with('told', "{$copy->name} can no longer open it.");
    }

    /** What came back, to be looked at before it is taken. */
    public function returned(WorkingCopy $copy, string $paperkey, Bytes $bytes): Response
    {
        Gate::authorize('see', $copy->file);
        $one = self::one($copy, $paperkey);
        abort_if($one->returned_sha256 === null, 404);

        return PdfAnswer::of($bytes->read($one->returned_sha256), "Signed {$one->paper->title}");
    }

    public function take(Request $request, WorkingCopy $copy, string $paperkey, SettleReturned $settle): RedirectResponse
    {
        Gate::authorize('work-on', $copy->file);
        $paper = $settle->take(self::one($copy, $paperkey), User::signedIn($request));

        return to_route('files.show', $copy->file)->with('told', "{$paper->title} is in the file as they signed it.");
    }

    public function leave(WorkingCopy $copy, string $paperkey, SettleReturned $settle): RedirectResponse
    {
        Gate::authorize('work-on', $copy->file);
        $paper = $settle->leave(self::one($copy, $paperkey));

        return to_route('files.show', $copy->file)->with(
            'told',
            "{$paper->title} stays as it is here. Theirs is kept with the working copy.",
        );
    }

    private static function one(WorkingCopy $copy, string $key): WorkingCopyPaper
    {
        $one = $copy->papers()->with('paper')->where('key', $key)->first() ?? abort(404);
        // A paper of it that is not theirs to see, of the other side or the office's own, is not there either.
        $one->paper instanceof Paper || abort(404);

        return $one;
    }

    /** @return list<string> keys of papers, in their order */
    private function chosen(Request $request): array
    {
        return array_values($request->validate(['papers' => 'required|array|max:200', 'papers.*' => 'string|max:26'], [
            'papers.required' => 'Select at least one paper.',
        ])['papers']);
    }
}
