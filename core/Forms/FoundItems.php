<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Pages\FieldKind;
use Unanimus\Pages\PdfField;
use Unanimus\Pages\PdfFields;
use Unanimus\Pages\Rect;
use Unanimus\Parties\PartyRole;
use Unanimus\Signing\MarkKind;
use Unanimus\Terms\Kind;

/**
 * The blanks and marks a PDF brings along: its fields, or what its flat pages seem to ask for.
 */
final class FoundItems
{
    /** @var list<DraftItem> */
    public array $items = [];

    /** @var list<string> what could not be taken over as it was, in words */
    public array $notes = [];

    /** @var array<string, true> */
    private array $names = [];

    private function __construct()
    {
    }

    /** What the fields of a fillable PDF become. */
    public static function ofFields(PdfFields $fields): self
    {
        $found = new self();
        $left = ['button' => 0, 'nowhere' => 0];
        foreach ($fields->all() as $field) {
            if ($field->kind === FieldKind::Button) {
                $left['button']++;
            } elseif (! $found->field($field)) {
                $left['nowhere']++;
            }
        }
        $left['button'] === 0 ||
            ($found->notes[] = $left['button'] === 1 ? 'One button was left out.' : "{$left['button']} buttons were left out.");
        $left['nowhere'] === 0 ||
            ($found->notes[] =
                $left['nowhere'] === 1
                    ? 'One field stands on no page and was left out.'
                    : "{$left['nowhere']} fields stand on no page and were left out.");
        array_push($found->notes, ...$fields->notes);

        return $found;
    }

    /** @param  list<ProposedBlank>  $proposed  What was proposed for flat pages. */
    public static function ofProposal(array $proposed): self
    {
        $found = new self();
        foreach ($proposed as $index => $one) {
            $found->items[] =
                $one->kind instanceof MarkKind
                    ? new DraftItem("p{$index}", $one->kind, '', '', $one->page, $one->place, seat: $one->binding ?? '')
                    : new DraftItem(
                        "p{$index}",
                        $one->kind,
                        $one->name,
                        $one->label,
                        $one->page,
                        $one->place,
                        binding: $one->binding !== null && (Bindings::kind($one->binding) === Kind::Tick) === ($one->kind === Kind::Tick)
                            ? $one->binding
                            : '',
                    );
        }

        return $found;
    }

    private function field(PdfField $field): bool
    {
        $stands = false;
        $several =
            $field->kind->isTicked() &&
            count(array_filter($field->widgets, static fn ($widget) => $widget->place !== null && $widget->page > 0)) > 1;
        foreach ($field->widgets as $index => $widget) {
            if ($widget->place === null || $widget->page < 1) {
                continue;
            }
            $stands = true;
            $option = $several ? ($this->option($field, $widget->on) ?: (string) ($index + 1)) : '';
            $this->items[] = $this->item($field, $widget->page, $widget->place, $option);
        }

        return $stands;
    }

    private function item(PdfField $field, int $page, Rect $place, string $option): DraftItem
    {
        $id = 'f'.count($this->items);
        $words = $field->label !== '' ? $field->label : self::words($field->name);
        if ($field->kind === FieldKind::Signature) {
            return new DraftItem($id, MarkKind::Signature, '', '', $page, $place, seat: self::seat($words));
        }
        $guess = Proposal::guess($words);
        $kind = match (true) {
            $field->kind->isTicked() => Kind::Tick,
            $field->kind === FieldKind::Choice || $field->kind === FieldKind::List => count($field->options) > 1 && ! $field->editable
                ? Kind::Choice
                : Kind::Text,
            $field->multiline => Kind::Lines,
            default => $guess['kind'] === Kind::Lines ? Kind::Text : $guess['kind'],
        };
        $fits = $guess['binding'] !== null && $kind !== Kind::Tick && in_array(Bindings::kind($guess['binding']), [null, $kind], true);

        return new DraftItem(
            $id,
            $kind,
            $this->name($field->name.($option === '' ? '' : " {$option}")),
            mb_strimwidth($option === '' ? $words : "{$words}: {$option}", 0, 80, '…'),
            $page,
            $place,
            $field->required,
            $fits ? (string) $guess['binding'] : '',
            '',
            $option === '' ? '' : $this->plain($field->name),
            '',
            $kind === Kind::Choice
                ? array_values(array_filter(array_map(static fn (array $one) => trim($one['label'] ?: $one['value']), $field->options)))
                : [],
        );
    }

    private function option(PdfField $field, ?string $on): string
    {
        foreach ($field->options as $option) {
            if ($option['value'] === $on) {
                return $option['label'];
            }
        }

        return (string) $on;
    }

    private static function words(string $name): string
    {
        $last = (string) preg_replace('/^.*\./', '', $name);
        $words = (string) preg_replace(['/(?<=[a-z])(?=[A-Z0-9])/', '/[_\-\[\]#]+/', '/\s+/'], [' ', ' ', ' '], $last);

        return ucfirst(trim($words)) ?: 'Blank';
    }

    private static function seat(string $words): string
    {
        $seat =
            preg_match('/\b('.implode('|', PartyRole::values()).')s?\W*(\d)?/i', $words, $m) === 1
                ? strtolower($m[1]).'.'.max(1, (int) ($m[2] ?? 1))
                : '';

        return $seat;
    }

    private function name(string $name): string
    {
        $plain = $this->plain($name);
        for ($number = 1, $free = $plain; isset($this->names[$free]); $free = "{$plain}_".++$number) {
            // The next number that is free.
        }
        $this->names[$free] = true;

        return $free;
    }

    private function plain(string $name): string
    {
        $plain = mb_substr(
            trim(
                (string) preg_replace('/[^a-z0-9]+/', '_', (string) transliterator_transliterate('Any-Latin; Latin-ASCII; Lower()', $name)),
                '_',
            ),
            0,
            50,
        );

        return preg_match('/^[a-z]/', $plain) === 1 ? $plain : "b_{$plain}";
    }
}
