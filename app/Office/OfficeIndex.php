<?php

declare(strict_types=1);

namespace App\Office;

use App\Models\Contact;
use App\Models\InboundItem;
use App\Models\Office;
use App\Models\OfficeRule;
use App\Models\OwnForm;
use App\Models\StoredKit;
use App\Models\StoredStencil;
use App\Models\User;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Gate;
use Unanimus\Forms\Library;

/** What the Office place holds for a person, each with how it stands. */
final class OfficeIndex
{
    /** @return list<array{key: string, href: string, name: string, stands: string}> */
    public static function entries(Library $library): array
    {
        $all = [
            ['people', '/office', 'People', true, self::people(...)],
            ['offices', '/office/offices', 'Offices', true, static fn () => self::count(Office::query()->count(), 'office')],
            ['kits', '/kits', 'Kits', Gate::allows('open-kits'), self::kits(...)],
            ['rules', '/rules', 'Rules', Gate::allows('keep-rules'), self::rules(...)],
            ['own-forms', '/own-forms', 'Our forms', Gate::allows('make-forms'), self::ownForms(...)],
            ['library', '/office/library', 'Library', true, static fn () => self::count(count($library->all()), 'form')],
            ['stencils', '/stencils', 'Stencils', Gate::allows('open-files'), self::stencils(...)],
            ['contacts', '/contacts', 'Address book', true, static fn () => self::count(Contact::query()->count(), 'contact')],
            ['plans', '/office/plans', 'Plans', Gate::allows('see-plans'), static fn () => 'splits and caps'],
            ['wording', '/office/disbursements', 'Authorizations', Gate::allows('word-disbursements'),
                static fn () => 'wording, who is paid by escrow'],
            ['inbox', '/office/inbox', 'Inbox', Gate::allows('inbox'), self::inbox(...)],
            ['history', '/office/history', 'History', Gate::allows('run-office'), static fn () => 'what was changed, by whom'],
            ['me', '/me', 'My account', true, static fn () => 'password, two-step sign-in'],
        ];
        $shown = array_filter($all, static fn (array $one) => $one[3]);

        return array_values(
            array_map(static fn (array $one) => ['key' => $one[0], 'href' => $one[1], 'name' => $one[2], 'stands' => $one[4]()], $shown),
        );
    }

    private static function people(): string
    {
        $active = User::colleagues()->where('active', true)->count();
        $invited = User::colleagues()->where('active', true)->whereNotNull('invited_at')->count();

        return ($active === 1 ? '1 person' : "{$active} people").($invited === 0 ? '' : ", {$invited} invited");
    }

    private static function kits(): string
    {
        $own = StoredKit::query()->where('retired', false)->count();

        return $own === 0 ? 'as they come' : "{$own} of our own";
    }

    private static function rules(): string
    {
        $own = OfficeRule::query()->count();
        $off = OfficeRule::query()->where('active', false)->count();

        return $own === 0 ? 'as they come' : self::count($own, 'rule').($off === 0 ? '' : ", {$off} off");
    }

    private static function ownForms(): string
    {
        $active = OwnForm::query()->where('status', 'in_force')->count();
        $drafts = OwnForm::query()->where('status', 'making')->count();

        return "{$active} active".($drafts === 0 ? '' : ', '.self::count($drafts, 'draft'));
    }

    private static function stencils(): string
    {
        $kept = StoredStencil::query()->where('put_away', false)->count();

        return $kept === 0 ? 'none yet' : self::count($kept, 'stencil');
    }

    private static function inbox(): string
    {
        $waiting = InboundItem::query()
            ->when(Gate::denies('sort-mail'), static fn ($items) => $items->where('for_user', Auth::id()))
            ->whereNull('settled_at')
            ->count();

        return $waiting === 0 ? 'empty' : "{$waiting} waiting";
    }

    private static function count(int $count, string $what): string
    {
        return $count === 1 ? "1 {$what}" : "{$count} {$what}s";
    }
}
