<?php

declare(strict_types=1);

namespace App\Papers\Http;

use App\Models\DealFile;
use App\Models\Paper;
use App\Papers\Actions\TakeForm;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Unanimus\Files\PaperState;
use Unanimus\Finding\FormFinder;
use Unanimus\Forms\Form;
use Unanimus\Forms\FormUnknown;
use Unanimus\Forms\Library;
use Unanimus\Steps\StepRefused;

/** Finding forms of the library and taking them into a file. */
final class FormsController
{
    public function index(Request $request, DealFile $file, Library $library): View
    {
        Gate::authorize('work-on', $file);
        $all = array_column(
            array_map(static fn (Form $form) => ['number' => $form->number, 'form' => $form], $library->all()),
            'form',
            'number',
        );
        $words = array_map(static fn (Form $form) => "{$form->title} {$form->set} {$form->stage}", $all);
        $typed = mb_substr((string) $request->query('q', ''), 0, 80);
        $uses = $this->uses($file);
        $found = array_map(
            static fn (string $number) => $all[$number],
            FormFinder::find($words, $typed, $uses, $file->office->preferred_forms),
        );

        return view($request->hasHeader('HX-Request') ? 'papers.forms-found' : 'papers.forms', [
            'file' => $file,
            'found' => $found,
            'typed' => $typed,
            'uses' => $uses,
            'there' => $this->there($file),
        ]);
    }

    public function take(Request $request, DealFile $file, string $number, TakeForm $take, Library $library): View
    {
        Gate::authorize('work-on', $file);
        $what = $request->validate(['what' => 'required|in:take,more,out'])['what'];
        [$said, $isRemoved] = ['', false];
        try {
            if ($what === 'out') {
                $paper = $file
                    ->papers()
                    ->where('form_number', $number)
                    ->where('state', '<>', PaperState::Void)
                    ->orderByDesc('id')
                    ->firstOrFail();
                $take->out($paper);
                $isRemoved = true;
            } else {
                $take->take($file, $number, $what === 'more');
            }
        } catch (StepRefused $refused) {
            $said = $refused->getMessage();
        } catch (FormUnknown) {
            abort(404);
        }

        return view('papers.form-row', [
            'file' => $file,
            'form' => $library->form($number),
            'said' => $said,
            'isRemoved' => $isRemoved,
            'uses' => $this->uses($file),
            'there' => $this->there($file),
        ]);
    }

    /** @return array<string, list<Paper>> what is in the file already, by form */
    private function there(DealFile $file): array
    {
        return $file
            ->papers()
            ->whereNotNull('form_number')
            ->where('state', '<>', PaperState::Void)
            ->orderBy('id')
            ->get()
            ->groupBy('form_number')
            ->map(static fn ($papers) => array_values($papers->all()))
            ->all();
    }

    /** @return array<string, int> how often each form stands in the latest files of this kind and side */
    private function uses(DealFile $file): array
    {
        return DB::table('papers')
            ->whereNotNull('form_number')
            ->where('state', '<>', PaperState::Void)
            ->whereIn(
                'deal_file_id',
                DB::table('deal_files')
                    ->where('kind', $file->kind)
                    ->where('represents', $file->represents)
                    ->orderByDesc('id')
                    ->limit(300)
                    ->select('id'),
            )
            ->groupBy('form_number')
            ->selectRaw('form_number, count(DISTINCT deal_file_id) AS n')
            ->pluck('n', 'form_number')
            ->map(static fn ($n) => (int) $n)
            ->all();
    }
}
