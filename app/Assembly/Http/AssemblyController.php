<?php

declare(strict_types=1);

namespace App\Assembly\Http;

use App\Assembly\Actions\KeepReadingCopy;
use App\Assembly\Actions\KeepSet;
use App\Assembly\Actions\MakeSet;
use App\Assembly\Http\Requests\GiveReadingCopyRequest;
use App\Assembly\WholeZip;
use App\Models\AssembledSet;
use App\Models\DealFile;
use App\Models\Paper;
use App\Models\ReadingCopy;
use App\Models\User;
use App\Papers\PaperPrint;
use App\Papers\PdfAnswer;
use App\Papers\SelectedPapers;
use App\Storage\Bytes;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\PaperState;
use Unanimus\Pages\SetOptions;
use Unanimus\Pages\SetRefusal;
use Unanimus\Parties\Language;
use Unanimus\Steps\StepRefused;
use ZipArchive;

/** Papers put together: printed, kept as a set, given to read. */
final class AssemblyController
{
    /** At once, as they stand, with page numbers. */
    public function print(Request $request, DealFile $file, MakeSet $make): Response
    {
        Gate::authorize('see', $file);

        return PdfAnswer::of($make(SelectedPapers::from($file, $this->chosen($request)))->pdf, $file->name);
    }

    /** Single papers, each as its own PDF, in one ZIP. */
    public function zip(Request $request, DealFile $file, PaperPrint $print): BinaryFileResponse
    {
        Gate::authorize('see', $file);
        $path = (string) tempnam(sys_get_temp_dir(), 'unanimus-zip');
        $papers = SelectedPapers::from($file, $this->chosen($request));
        WholeZip::write($path, static function (ZipArchive $zip) use ($papers, $print): void {
            foreach ($papers as $index => $paper) {
                $name = trim((string) preg_replace('/[\/\\\\:*?"<>|\x00-\x1f]+/u', ' ', trim("{$paper->form_number} {$paper->title}")));
                $zip->addFromString(sprintf('%02d %s.pdf', $index + 1, $name), $print->whole($paper));
            }
        });

        return response()
            ->download($path, trim((string) preg_replace('/[^\p{L}\p{N} ,.-]+/u', ' ', $file->name)).'.zip', [
                'Content-Type' => 'application/zip',
            ])
            ->deleteFileAfterSend();
    }

    public function compose(Request $request, DealFile $file): View
    {
        Gate::authorize('see', $file);
        $given = $request->validate(['papers' => 'nullable|array|max:200', 'papers.*' => 'string|max:26']);
        $all = $file
            ->load(['papers.latest', 'office'])
            ->papers->filter(
                static fn (Paper $paper) => $paper->state !== PaperState::Void && ($paper->isDraft() || $paper->latest !== null),
            )
            ->sortBy('position');
        $by = $all->keyBy('key');
        $chosen = [];
        foreach ($given['papers'] ?? $by->keys()->all() as $key) {
            $by->has($key) && ($chosen[$key] = $by->get($key));
        }

        return view('assembly.compose', [
            'file' => $file,
            'chosen' => $chosen,
            'others' => $by->diffKeys($chosen),
            'sets' => AssembledSet::query()->withCount('copies')->where('deal_file_id', $file->id)->orderByDesc('id')->limit(20)->get(),
        ]);
    }

    public function store(Request $request, DealFile $file, KeepSet $keep): RedirectResponse
    {
        Gate::authorize('see', $file);
        $set = $keep->begin(
            $file,
            SelectedPapers::from($file, $this->chosen($request)),
            SetOptions::fromArray($request->only(['stamp', 'cover', 'blank'])),
            User::signedIn($request),
        );

        return to_route('sets.show', $set);
    }

    public function show(Request $request, AssembledSet $set): View
    {
        Gate::authorize('see', $set->load(['file.office', 'copies.file.office'])->file);

        return view($request->hasHeader('HX-Request') ? 'assembly.standing' : 'assembly.set', [
            'set' => $set,
            'file' => $set->file,
            'titles' => self::titles($set),
            'works' => Gate::allows('work-on', $set->file),
        ]);
    }

    public function pdf(AssembledSet $set, Bytes $bytes): Response
    {
        Gate::authorize('see', $set->file);

        return $set->isReady()
            ? PdfAnswer::of($bytes->read((string) $set->sha256), $set->title)
            : throw SetRefusal::StillCombined->because();
    }

    public function give(GiveReadingCopyRequest $request, AssembledSet $set, KeepReadingCopy $keep): RedirectResponse
    {
        $given = $request->validated();
        try {
            $day = LocalDate::parse($given['last_day'], $set->file->office->today());
        } catch (DateUnreadable $unreadable) {
            throw StepRefused::unreadable($unreadable);
        }
        $copy = $keep->give(
            $set,
            (string) ($given['name'] ?? ''),
            (string) ($given['email'] ?? ''),
            $day,
            (string) ($given['message'] ?? ''),
            User::signedIn($request),
            Language::tryFrom((string) ($given['language'] ?? '')) ?? Language::English,
        );

        return to_route('sets.show', $set)->with(
            'told',
            $copy->email === '' ? "Send this link to {$copy->name}: {$copy->link()}" : "Email sent to {$copy->name}.",
        );
    }

    public function end(ReadingCopy $copy, KeepReadingCopy $keep): RedirectResponse
    {
        Gate::authorize('work-on', $copy->load(['file.office', 'file.members', 'set'])->file);
        $keep->end($copy);

        return to_route('sets.show', $copy->set)->with('told', "The link for {$copy->name} no longer works.");
    }

    /** @return list<string> what its papers are called now */
    private static function titles(AssembledSet $set): array
    {
        $titles = Paper::query()->whereIn('key', $set->papers)->pluck('title', 'key');

        return array_map(static fn (string $key) => (string) ($titles[$key] ?? 'a paper you cannot see'), $set->papers);
    }

    /** @return list<string> */
    private function chosen(Request $request): array
    {
        return array_values(
            $request->validate(
                ['papers' => 'required|array|max:200', 'papers.*' => 'string|max:26'],
                ['papers.required' => 'Select at least one paper first.'],
            )['papers'],
        );
    }
}
