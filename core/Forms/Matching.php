<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Terms\Kind;

/**
 * Blanks of two papers that ask for the same, such as the same form filled by the other side.
 */
final class Matching
{
    /**
     * What stands on the other paper and not here: by name where both have it, else by what they follow, else by label.
     *
     * @param array<string, string> $here what stands here, as kept, by blank
     * @param array<string, string> $there what stands there, as kept, by blank
     * @return list<array{blank: Blank, value: string, here: string}> the blank here, with what stands there and here
     */
    public static function of(Form $form, array $here, Form $other, array $there): array
    {
        $found = [];
        foreach ($other->blanks as $blank) {
            $value = trim($there[$blank->name] ?? '');
            $match = $value === '' ? null : self::blank($form, $blank);
            $stands = $match === null ? '' : $here[$match->name] ?? '';
            if ($match === null || isset($found[$match->name]) || $stands === $value || $match->formula !== null) {
                continue;
            }
            $found[$match->name] = ['blank' => $match, 'value' => $value, 'here' => $stands];
        }

        return array_values($found);
    }

    private static function blank(Form $form, Blank $other): ?Blank
    {
        $same = $form->blank($other->name);
        if ($same !== null && $same->kind === $other->kind) {
            return $same;
        }
        foreach ($form->blanks as $blank) {
            if ($blank->binding !== null && $blank->binding === $other->binding && $blank->kind === $other->kind) {
                return $blank;
            }
        }
        foreach ($other->kind === Kind::Tick ? [] : $form->blanks as $blank) {
            if ($blank->kind === $other->kind && mb_strtolower($blank->label) === mb_strtolower($other->label)) {
                return $blank;
            }
        }

        return null;
    }
}
