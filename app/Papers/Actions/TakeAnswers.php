<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\Files\Actions\SetFact;
use App\Models\Paper;
use App\Terms\FactBook;
use Illuminate\Support\Facades\DB;
use Unanimus\Forms\FillRefusal;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\EntryUnreadable;
use Unanimus\Terms\Facts;
use Unanimus\Terms\PropertyFact;
use Unanimus\Terms\Term;

/** Has the file use what a client answered on a paper, for facts that nobody has entered yet. What stands in the file stays. */
final class TakeAnswers
{
    public function __construct(private readonly SetFact $setFact)
    {
    }

    /**
     * What a client answered that the file does not know yet.
     *
     * @return array<string, array{label: string, value: string, who: string}> by fact; the value as printed
     */
    public static function open(Paper $paper, Facts $facts): array
    {
        $form = $paper->form();
        $answered = $form === null || ! $paper->isDraft()
            ? []
            : DB::table('paper_values')
                ->join('paper_entries', 'paper_entries.id', '=', 'paper_values.entry_id')
                ->where('paper_values.paper_id', $paper->id)
                ->whereNotNull('by_name')
                ->pluck('by_name', 'paper_values.blank')
                ->all();
        $entries = $answered === [] ? [] : $paper->entries();
        $open = [];
        foreach ($answered as $name => $who) {
            $blank = $form?->blank((string) $name);
            $item = $blank?->binding === null ? null : PropertyFact::tryFrom($blank->binding) ?? Term::tryFrom($blank->binding);
            $value = $entries[$name] ?? '';
            if ($blank === null || $item === null || $value === '' || $facts->value($item->value) !== null) {
                continue;
            }
            $open[$item->value] = ['label' => $item->label(), 'value' => $blank->kind->show($value), 'who' => (string) $who];
        }

        return $open;
    }

    /**
     * @return array{int, list<string>} how many the file uses now; labels of those it cannot read
     *
     * @throws StepRefused when there is nothing to use, or the file has ended
     */
    public function __invoke(Paper $paper): array
    {
        $open = self::open($paper, FactBook::of($paper->file));
        if ($open === []) {
            throw FillRefusal::AnswersAreThere->because();
        }
        $used = 0;
        $left = [];
        foreach ($open as $name => $answer) {
            try {
                ($this->setFact)($paper->file, $name, $answer['value'], "{$answer['who']}, on “{$paper->title}”");
                $used++;
            } catch (EntryUnreadable) {
                $left[] = $answer['label'];
            }
        }

        return [$used, $left];
    }
}
