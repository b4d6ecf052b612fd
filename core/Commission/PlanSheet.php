<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\LocalDate;
use Unanimus\Exchange\Sheet;
use Unanimus\Exchange\SheetUnreadable;
use Unanimus\Money\AmountUnreadable;
use Unanimus\Money\Money;
use Unanimus\Steps\StepRefused;

/** Agents' plans as a table: a row each, with what the plan says and what counted before. */
final class PlanSheet
{
    /** Heading of each column, by the field it holds. */
    public const COLUMNS = [
        'email' => 'Email',
        'name' => 'Name',
        'from' => 'In force from',
        'year' => 'Plan year begins',
        'rate1' => 'Rate 1',
        'to1' => 'Up to 1',
        'rate2' => 'Rate 2',
        'to2' => 'Up to 2',
        'rate3' => 'Rate 3',
        'tiers_by' => 'Thresholds of',
        'cap' => 'Cap',
        'minimum' => 'Minimum',
        'after_cap' => 'Fee after cap',
        'after_cap_cap' => 'Cap of that fee',
        'team_lead' => 'Team lead email',
        'team_percent' => 'Lead percent',
        'team_base' => 'Lead of',
        'cn' => 'Counted net',
        'company' => 'Counted company',
        'after' => 'Counted after cap',
    ];

    /**
     * Rows as they may be taken, or why not; nothing is stored by reading them.
     *
     * @return list<array{line: int, email: string, lead: string, from: LocalDate|null, plan: array<string, mixed>,
     *     opening: array<string, Money>, refused: string}> refused is empty where the row may be taken
     *
     * @throws SheetUnreadable when it is no table, or has no column "Email"
     */
    public static function read(string $bytes, LocalDate $today): array
    {
        $sheet = Sheet::read($bytes);
        $at = [];
        foreach ($sheet->headings as $index => $heading) {
            $field = array_search(self::plain($heading), array_map(self::plain(...), self::COLUMNS), true);
            $field === false || ($at[$field] ??= $index);
        }
        isset($at['email']) || throw new SheetUnreadable(
            'This spreadsheet has no “Email” column. Add one, so that each plan has its agent.',
        );
        $rows = [];
        foreach ($sheet->rows as $line => $cells) {
            $typed = array_map(static fn (int $index) => trim($cells[$index] ?? '', " \t\n\r\0\x0B'"), $at);
            array_filter($typed, static fn (string $cell) => $cell !== '') === [] || ($rows[] = self::row($line, $typed, $today));
        }

        return $rows;
    }

    /**
     * A plan as a row of the table.
     *
     * @param array<string, mixed> $plan as the reckoning takes it
     * @param array<string, string> $opening
     * @return list<string>
     */
    public static function write(string $email, string $name, string $from, array $plan, array $opening, string $lead): array
    {
        $tiers = (array) ($plan['tiers'] ?? [['rate' => $plan['rate'] ?? '']]);
        $after = (array) ($plan['afterCap'] ?? []);
        $cells = [
            'email' => $email,
            'name' => $name,
            'from' => $from,
            'year' => (string) ($plan['year'] ?? 'calendar'),
            'tiers_by' => count($tiers) > 1 ? (string) ($plan['tiersBy'] ?? 'cn') : '',
            'cap' => (string) ($plan['cap'] ?? ''),
            'minimum' => (string) ($plan['minimum'] ?? ''),
            'after_cap' => isset($after['percent']) ? "{$after['percent']}%" : (string) ($after['amount'] ?? ''),
            'after_cap_cap' => (string) ($after['cap'] ?? ''),
            'team_lead' => $lead,
            'team_percent' => (string) ($plan['team']['percent'] ?? ''),
            'team_base' => (string) ($plan['team']['base'] ?? ''),
            'cn' => (string) ($opening['cn'] ?? ''),
            'company' => (string) ($opening['company'] ?? ''),
            'after' => (string) ($opening['afterCap'] ?? ''),
        ];
        foreach (array_values($tiers) as $index => $tier) {
            $cells['rate'.($index + 1)] = (string) ($tier['rate'] ?? '');
            $cells['to'.($index + 1)] = (string) ($tier['upTo'] ?? '');
        }

        return array_map(static fn (string $field) => $cells[$field] ?? '', array_keys(self::COLUMNS));
    }

    /**
     * @param array<string, string> $typed
     * @return array{line: int, email: string, lead: string, from: LocalDate|null, plan: array<string, mixed>,
     *     opening: array<string, Money>, refused: string}
     */
    private static function row(int $line, array $typed, LocalDate $today): array
    {
        $lead = mb_strtolower($typed['team_lead'] ?? '');
        $email = mb_strtolower($typed['email'] ?? '');
        $row = ['line' => $line, 'email' => $email, 'lead' => $lead, 'from' => null, 'plan' => [], 'opening' => [], 'refused' => ''];
        try {
            $row['email'] !== '' || throw new \InvalidArgumentException('There is no email address.');
            ($typed['from'] ?? '') !== '' || throw new \InvalidArgumentException('There is no day from which it is in force.');
            $row['from'] = LocalDate::parse($typed['from'], $today);
            $row['plan'] = PlanEntered::read($typed);
            foreach (['cn' => 'cn', 'company' => 'company', 'afterCap' => 'after'] as $as => $field) {
                $row['opening'][$as] = Money::parse(($typed[$field] ?? '') === '' ? '0' : $typed[$field]);
            }
        } catch (AmountUnreadable|DateUnreadable|StepRefused|\InvalidArgumentException $refused) {
            $row['refused'] = $refused->getMessage();
        }

        return $row;
    }

    private static function plain(string $heading): string
    {
        return (string) preg_replace('/[^a-z0-9]/', '', mb_strtolower($heading));
    }
}
