<?php

declare(strict_types=1);

namespace App\Requirements\Actions;

use App\History\History;
use App\Models\OfficeRule;
use App\Requirements\RuleShelf;
use Illuminate\Support\Facades\Auth;
use Unanimus\Forms\FormUnknown;
use Unanimus\Forms\Library;
use Unanimus\Requirements\ConditionUnreadable;
use Unanimus\Requirements\Rule;
use Unanimus\Steps\StepRefused;

/** Keeps the rules of the brokerage. Files follow with their next change. */
final class KeepRules
{
    public function __construct(private readonly Library $library)
    {
    }

    /**
     * Stores a rule, a new one or in place of one.
     *
     * @param array<string, mixed> $definition
     *
     * @throws StepRefused when something in it cannot be read
     */
    public function store(int $brokerageId, array $definition, ?OfficeRule $in = null): OfficeRule
    {
        $rule = $this->read($definition);
        $this->makeOwn($brokerageId);
        History::ofBrokerage($brokerageId, $in === null ? 'Rule added' : 'Rule changed', ['rule' => $rule->name]);
        $values = ['definition' => $rule->toArray(), 'user_id' => Auth::id()];
        if ($in !== null) {
            $in->update($values);

            return $in;
        }

        return OfficeRule::create([
            'brokerage_id' => $brokerageId,
            'position' => (int) OfficeRule::query()->max('position') + 10,
            ...$values,
        ]);
    }

    /** Makes the rules that come with Unanimus the office's own, so that they can be changed; once. */
    public function makeOwn(int $brokerageId): void
    {
        RuleShelf::makeOwn($brokerageId) && History::ofBrokerage($brokerageId, 'Office rules made our own', []);
    }

    public function switch(OfficeRule $rule, bool $on): void
    {
        $rule->update(['active' => $on]);
        History::ofBrokerage($rule->brokerage_id, $on ? 'Rule turned on' : 'Rule turned off', ['rule' => $rule->rule()->name]);
    }

    public function remove(OfficeRule $rule): void
    {
        $rule->delete();
        History::ofBrokerage($rule->brokerage_id, 'Rule removed', ['rule' => $rule->rule()->name]);
    }

    /**
     * @param array<string, mixed> $definition
     *
     * @throws StepRefused when something in it cannot be read
     */
    public function read(array $definition): Rule
    {
        try {
            $rule = Rule::fromArray($definition);
            $rule->asks->form === null || $this->library->form($rule->asks->form);

            return $rule;
        } catch (ConditionUnreadable|FormUnknown $unreadable) {
            throw StepRefused::unreadable($unreadable, 'The rule is not saved.');
        }
    }
}
