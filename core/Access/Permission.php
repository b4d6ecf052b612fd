<?php

declare(strict_types=1);

namespace Unanimus\Access;

use Unanimus\Steps\StepRefused;

/**
 * What the roles of an office may do; an office's administrators say otherwise where its way of working is another. Who runs an
 * office, who reviews, and who authorizes payments is no matter of choice and stands in FIXED.
 */
enum Permission: string
{
    case ImportFiles = 'import_files';
    case MakeForms = 'make_forms';
    case EnactForms = 'enact_forms';
    case KeepRules = 'keep_rules';
    case KeepLetters = 'keep_letters';
    case LetterRules = 'letter_rules';
    case KeepShelf = 'keep_shelf';
    case KeepContacts = 'keep_contacts';
    case KeepPlans = 'keep_plans';
    case WordPayments = 'word_payments';
    case Connect = 'connect';

    /** The roles there are, in the order of the table. */
    public const ROLES = ['agent', 'coordinator', 'bookkeeper', 'broker', 'administrator'];

    /** What is as it is: in words, and by which roles. */
    public const FIXED = [
        'Open files and work on their own' => ['agent', 'coordinator', 'broker'],
        'See every file of the office' => ['bookkeeper', 'broker', 'administrator'],
        'Review documents and accept them' => ['broker'],
        'Authorize commissions' => ['broker'],
        'Record payments' => ['bookkeeper', 'broker'],
        'Keep people, roles and the roster' => ['broker', 'administrator'],
        'Archive, hold and keep files' => ['broker', 'administrator'],
        'Change this table, look as another person' => ['administrator'],
    ];

    /** As it stands in the table. */
    public function label(): string
    {
        return match ($this) {
            self::ImportFiles => 'Import files',
            self::MakeForms => 'Make own forms',
            self::EnactForms => 'Put own forms into use',
            self::KeepRules => 'Keep the rules of what each file needs',
            self::KeepLetters => 'Keep form letters for everyone',
            self::LetterRules => 'Turn automatic letters on and off',
            self::KeepShelf => 'Put documents on the shelf',
            self::KeepContacts => 'Keep the standing contacts',
            self::KeepPlans => 'Keep commission plans and debts of everyone',
            self::WordPayments => 'Word disbursement authorizations',
            self::Connect => 'Make tokens for other programs',
        };
    }

    /** @return list<string> roles that may where the office has said nothing */
    public function usual(): array
    {
        return match ($this) {
            self::ImportFiles => ['agent', 'coordinator', 'broker'],
            self::MakeForms, self::KeepLetters, self::KeepShelf, self::KeepContacts => ['coordinator', 'broker', 'administrator'],
            self::EnactForms, self::KeepRules, self::LetterRules, self::WordPayments => ['broker', 'administrator'],
            self::KeepPlans => ['bookkeeper', 'broker', 'administrator'],
            self::Connect => ['agent', 'coordinator', 'bookkeeper', 'broker', 'administrator'],
        };
    }

    /**
     * Roles as they are kept: known ones, in their order.
     *
     * @param list<string> $roles
     * @return list<string>
     *
     * @throws StepRefused when nobody would be left who may
     */
    public function kept(array $roles): array
    {
        $kept = array_values(array_intersect(self::ROLES, $roles));

        return $kept === [] ? throw AccessRefusal::NobodyMay->because(what: $this->label()) : $kept;
    }
}
