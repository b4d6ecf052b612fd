<?php

declare(strict_types=1);

namespace App\Requirements\Http;

use App\Models\DealFile;
use App\Models\OfficeRule;
use App\Models\User;
use App\Requirements\Actions\KeepRules;
use App\Requirements\GivenConditions;
use App\Requirements\RuleShelf;
use App\Terms\FactBook;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Unanimus\Forms\Library;
use Unanimus\Requirements\Rule;

/** The rules of the brokerage, edited without code and tried on any file. */
final class RuleController
{
    public function index(): View
    {
        Gate::authorize('keep-rules');
        $own = OfficeRule::query()->orderBy('position')->orderBy('id')->get();

        return view('requirements.rules', [
            'own' => $own,
            'given' => $own->isEmpty() ? RuleShelf::given() : [],
            'files' => DealFile::query()
                ->whereIn('status', ['preparing', 'active', 'under_contract'])
                ->orderBy('name')
                ->limit(500)
                ->get(['id', 'key', 'name']),
        ]);
    }

    public function edit(Request $request, Library $library, ?OfficeRule $rule = null): View
    {
        Gate::authorize('keep-rules');
        $definition = $rule->definition ?? ['name' => '', 'when' => ['all' => []], 'asks' => ['title' => '', 'stage' => 'offer']];

        return view('requirements.rule', [
            'rule' => $rule,
            'definition' => $definition,
            'when' => GivenConditions::lines($definition['when']),
            'forms' => $library->all(),
        ]);
    }

    public function makeOwn(Request $request, KeepRules $keep): RedirectResponse
    {
        Gate::authorize('keep-rules');
        $keep->makeOwn(User::signedIn($request)->brokerage_id);

        return to_route('rules.index')->with('told', 'You can change the rules now.');
    }

    public function store(Request $request, KeepRules $keep, ?OfficeRule $rule = null): RedirectResponse
    {
        Gate::authorize('keep-rules');
        $keep->store(User::signedIn($request)->brokerage_id, $this->given($request), $rule);

        return to_route('rules.index')->with('told', 'Rule saved. Files follow at their next change.');
    }

    public function toggle(OfficeRule $rule, KeepRules $keep): RedirectResponse
    {
        Gate::authorize('keep-rules');
        $keep->switch($rule, ! $rule->active);

        return to_route('rules.index')->with(
            'told',
            $rule->active
                ? 'Rule turned on.'
                : 'Rule turned off. Papers it added go away at each file’s next change, unless someone worked on them.',
        );
    }

    public function destroy(OfficeRule $rule, KeepRules $keep): RedirectResponse
    {
        Gate::authorize('keep-rules');
        $keep->remove($rule);

        return to_route('rules.index')->with('told', 'Rule deleted.');
    }

    /** How every rule answers for one file, condition by condition. */
    public function tryOn(Request $request): View
    {
        Gate::authorize('keep-rules');
        $file = DealFile::query()
            ->with(['office', 'knownFacts', 'parties', 'papers'])
            ->where('key', (string) $request->query('file'))
            ->firstOrFail();
        Gate::authorize('see', $file);
        $own = OfficeRule::query()
            ->orderBy('position')
            ->orderBy('id')
            ->where('active', true)
            ->get()
            ->map(static fn (OfficeRule $rule) => $rule->rule())
            ->all();
        $facts = FactBook::of($file);
        $answers = array_map(
            static fn (Rule $rule) => [
                'rule' => $rule,
                'holds' => $rule->asks->isCalledFor($facts),
                'known' => array_combine($rule->asks->when->facts(), array_map($facts->value(...), $rule->asks->when->facts())),
            ],
            $own ?: RuleShelf::given(),
        );
        usort($answers, static fn (array $a, array $b) => $b['holds'] <=> $a['holds']);

        return view('requirements.answers', ['file' => $file, 'answers' => $answers]);
    }

    /** @return array<string, mixed> */
    private function given(Request $request): array
    {
        $given = $request->validate([
            'name' => 'required|string|max:80',
            'form' => 'nullable|string|max:20',
            'title' => 'nullable|string|max:120',
            'stage' => 'required|string|max:20',
            'reason' => 'nullable|string|max:300',
            'required' => 'nullable|boolean',
        ]);
        $title =
            ($given['title'] ?? '') !== ''
                ? $given['title']
                : (($given['form'] ?? '') === ''
                    ? ''
                    : app(Library::class)->form((string) $given['form'])->title);

        return [
            'name' => $given['name'],
            'when' => GivenConditions::from($request),
            'asks' => [
                'title' => $title,
                'form' => $given['form'] ?? '' ?: null,
                'stage' => $given['stage'],
                'reason' => $given['reason'] ?? '',
                'required' => (bool) ($given['required'] ?? false),
            ],
        ];
    }
}
