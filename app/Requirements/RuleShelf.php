<?php

declare(strict_types=1);

namespace App\Requirements;

use App\Models\OfficeRule;
use Unanimus\Requirements\KitItem;
use Unanimus\Requirements\Rule;

/** The rules of the brokerage: those it was given, until its administrator makes them its own. */
final class RuleShelf
{
    /** @var list<Rule>|null */
    private static ?array $given = null;

    /** @return list<Rule> as they come with Unanimus */
    public static function given(): array
    {
        return self::$given ??= Rule::fromFile(base_path('library/rules/office.json'));
    }

    /** @return list<KitItem> what the brokerage in sight asks for, by rules that are on */
    public static function asks(): array
    {
        $own = OfficeRule::query()->orderBy('position')->orderBy('id')->get();
        $rules = $own->isEmpty() ? self::given() : $own->where('active', true)->map(static fn (OfficeRule $rule) => $rule->rule())->all();

        return array_values(array_map(static fn (Rule $rule) => $rule->asks, $rules));
    }

    /** Makes the given rules the brokerage's own, so that they can be changed. @return bool whether they were not yet */
    public static function makeOwn(int $brokerageId): bool
    {
        if (OfficeRule::query()->exists()) {
            return false;
        }
        foreach (self::given() as $position => $rule) {
            OfficeRule::create(['brokerage_id' => $brokerageId, 'position' => ($position + 1) * 10, 'definition' => $rule->toArray()]);
        }

        return true;
    }
}
