<?php

declare(strict_types=1);

namespace App\Papers\Http;

use App\Files\CalledFile;
use App\Models\Paper;
use App\Models\User;
use App\Papers\Actions\CareForPaper;
use App\Papers\Actions\TakeAnswers;
use App\Papers\Actions\TakeValues;
use App\Papers\PaperSight;
use App\Terms\FactBook;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use Unanimus\Files\SeenBy;
use Unanimus\Files\SightRefusal;
use Unanimus\Forms\FillablePdf;
use Unanimus\Forms\Filling;
use Unanimus\Forms\Xfdf;
use Unanimus\Forms\XfdfUnreadable;
use Unanimus\Intake\BringRefused;
use Unanimus\Intake\Converter;
use Unanimus\Pages\PdfField;
use Unanimus\Pages\PdfFields;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\PdfRefused;
use Unanimus\Pages\Press;
use Unanimus\Parties\Side;

/** A paper's name, versions, end and copies; its values out and in. */
final class CareController
{
    public function update(Request $request, Paper $paper, CareForPaper $care): RedirectResponse
    {
        $this->authorize($paper);
        $given = $request->validate(
            ['title' => 'required|string|max:200', 'stage' => 'required|string|max:20'],
            ['title.required' => 'Name the paper.'],
        );
        $care->name($paper, $given['title'], $given['stage']);

        return to_route('papers.show', $paper)->with('told', 'Saved.');
    }

    public function replace(Request $request, Paper $paper, CareForPaper $care): RedirectResponse
    {
        $this->authorize($paper);
        $upload = $this->upload($request);
        try {
            $notes = $care->replace($paper, $upload->getPathname(), $upload->getClientOriginalName());
        } catch (BringRefused $refused) {
            return back()->with('refused', "{$upload->getClientOriginalName()}: {$refused->getMessage()} The paper did not change.");
        }

        // From a row of the board one goes on at the board.
        return redirect($request->boolean('board') ? "/files/{$paper->file->key}" : "/papers/{$paper->key}")->with(
            'told',
            trim("“{$paper->title}”: new version uploaded. The earlier ones are kept. ".implode(' ', $notes)),
        );
    }

    /** The file uses what a client answered on it. */
    public function useAnswers(Paper $paper, TakeAnswers $take): RedirectResponse
    {
        $paper->load(['file.office', 'file.knownFacts', 'file.parties', 'file.papers', 'file.members', 'values']);
        $this->authorize($paper);
        [$used, $left] = $take($paper);

        return to_route('papers.show', $paper)->with(array_filter([
            'told' => $used === 1 ? 'The file uses 1 answer.' : "The file uses {$used} answers.",
            'refused' => $left === [] ? '' : 'These could not be read: '.implode(', ', $left).'. Enter them by hand.',
        ]));
    }

    public function void(Request $request, Paper $paper, CareForPaper $care): RedirectResponse
    {
        $this->authorize($paper);
        $care->void($paper, (string) $request->input('reason', ''));

        return to_route('files.show', $paper->file)->with('told', "“{$paper->title}” is void. It stays in the file with the reason.");
    }

    public function show(Request $request, Paper $paper, CareForPaper $care): RedirectResponse
    {
        $this->authorize($paper);
        $given = $request->validate(['side' => 'nullable|string|max:20', 'staff' => 'nullable|boolean']);
        $user = User::signedIn($request);
        $wanted = (string) ($given['side'] ?? '');
        $side = $wanted === '' ? null : Side::tryFrom($wanted) ?? throw SightRefusal::NoSuchSide->because();
        $care->show($paper, new SeenBy($side, (bool) ($given['staff'] ?? false)), $user);

        return to_route('papers.show', $paper)->with('told', 'Now visible to '.$paper->seenBy()->readable().'.');
    }

    /** Everyone who can see a paper, with a way to end what goes out of the house. */
    public function who(Paper $paper): View
    {
        $paper->load(['file.office', 'file.members']);
        Gate::authorize('see', $paper->file);

        return view('papers.who', [
            'paper' => $paper,
            'file' => $paper->file,
            'inside' => PaperSight::inside($paper),
            'links' => PaperSight::byLink($paper),
            'works' => Gate::allows('work-on', $paper->file),
        ]);
    }

    public function copy(Request $request, Paper $paper, CareForPaper $care): RedirectResponse
    {
        $this->authorize($paper);
        $typed = trim((string) ($request->validate(['to' => 'nullable|string|max:200'])['to'] ?? ''));
        $to = CalledFile::find($typed);
        $user = User::signedIn($request);
        $care->copy($paper->load(['values', 'latest']), $to, $user);

        return to_route('papers.show', $paper)->with('told', "Copied to {$to->name}.");
    }

    public function fillable(Request $request, Paper $paper, Press $press): Response
    {
        Gate::authorize('see', $paper->file);
        $form = $paper->form() ?? abort(404);
        $values = $request->boolean('blank') ? [] : $this->filling($paper)->printed();

        return response(FillablePdf::of($form, $values, $press), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => 'attachment; filename="'.$form->number.' fillable.pdf"',
        ]);
    }

    public function values(Paper $paper): Response
    {
        Gate::authorize('see', $paper->file);
        $form = $paper->form() ?? abort(404);

        return response(Xfdf::write($this->filling($paper)->printed(), "{$form->number} fillable.pdf"), 200, [
            'Content-Type' => 'application/vnd.adobe.xfdf',
            'Content-Disposition' => 'attachment; filename="'.$form->number.'.xfdf"',
        ]);
    }

    public function take(Request $request, Paper $paper, TakeValues $take): RedirectResponse
    {
        $this->authorize($paper);
        $upload = $this->upload($request);
        try {
            $values = $this->read((string) file_get_contents($upload->getPathname()), $upload->getPathname());
        } catch (XfdfUnreadable|PdfRefused $refused) {
            return back()->with('refused', "{$upload->getClientOriginalName()}: {$refused->getMessage()} Nothing was changed.");
        }
        [$changed, $left] = $take(
            $paper->load(['file.office', 'file.knownFacts', 'file.parties', 'file.papers']),
            $values,
            substr(hash_file('sha256', $upload->getPathname()) ?: Str::random(16), 0, 16),
        );
        $told =
            $changed === 0
                ? 'Nothing is different from what is on the paper.'
                : ($changed === 1
                    ? '1 blank was filled in.'
                    : "{$changed} blanks were filled in.");

        return to_route('papers.show', $paper)->with(
            array_filter(['told' => $told, 'refused' => $left === [] ? '' : 'Not imported: '.implode(' ', $left)]),
        );
    }

    /** @return array<string, string> */
    private function read(string $bytes, string $path): array
    {
        if (! str_contains(substr($bytes, 0, 1024), '%PDF-')) {
            return Xfdf::read($bytes);
        }
        $values = [];
        foreach (PdfFields::of(PdfLook::into($path))->all() as $field) {
            /** @var PdfField $field */
            $values[$field->name] = is_array($field->value) ? implode(', ', $field->value) : $field->value;
        }

        return $values;
    }

    private function filling(Paper $paper): Filling
    {
        $paper->load(['file.office', 'file.knownFacts', 'file.parties', 'file.papers', 'values']);

        return Filling::of($paper->form() ?? abort(404), $paper->entries(), FactBook::of($paper->file));
    }

    private function upload(Request $request): UploadedFile
    {
        $request->validate(
            ['file' => 'required|file|max:'.Converter::LARGEST / 1024],
            ['file.required' => 'Choose a file first.', 'file.max' => 'This file is larger than 50 MB.'],
        );
        $upload = $request->file('file');

        return $upload instanceof UploadedFile ? $upload : abort(422);
    }

    private function authorize(Paper $paper): void
    {
        Gate::authorize('work-on', $paper->load(['file.office', 'file.members'])->file);
    }
}
