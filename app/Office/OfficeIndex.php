<?php

declare(strict_types=1);

namespace App\Office;

use App\Models\Brokerage;
use App\Models\Contact;
use App\Models\FormLetter;
use App\Models\InboundItem;
use App\Models\Office;
use App\Models\OfficeRule;
use App\Models\OwnForm;
use App\Models\RosterCase;
use App\Models\ShelfItem;
use App\Models\StoredKit;
use App\Models\StoredStencil;
use App\Models\User;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Unanimus\Forms\Library;

/** What the Office place holds for a person, each with how it stands. */
final class OfficeIndex
{
    /** @return list<array{group: string, key: string, href: string, name: string, stands: string}> */
    public static function entries(Library $library): array
    {
        $all = [
            ...self::setup(),
            ['People', 'people', '/office', 'People', true, self::people(...)],
            ['People', 'roster', '/office/roster', 'Roster', Gate::allows('roster'), self::roster(...)],
            ['People', 'offices', '/office/offices', 'Offices', true, static fn () => self::count(Office::query()->count(), 'office')],
            ['People', 'permissions', '/office/permissions', 'Permissions', Gate::allows('permissions'), static fn () => 'who may do what'],
            ['People', 'contacts', '/contacts', 'Address book', true, static fn () => self::count(Contact::query()->count(), 'contact')],
            ['Documents', 'shelf', '/office/shelf', 'Shelf', Gate::allows('shelf'), self::shelf(...)],
            ['Documents', 'library', '/office/library', 'Library', true, static fn () => self::count(count($library->all()), 'form')],
            ['Documents', 'own-forms', '/own-forms', 'Our forms', Gate::allows('make-forms'), self::ownForms(...)],
            ['Documents', 'kits', '/kits', 'Kits', Gate::allows('open-kits'), self::kits(...)],
            ['Documents', 'rules', '/rules', 'Rules', Gate::allows('keep-rules'), self::rules(...)],
            ['Documents', 'stencils', '/stencils', 'Stencils', Gate::allows('open-files'), self::stencils(...)],
            ['Mail', 'letters', '/office/letters', 'Form letters', Gate::allows('form-letters'), self::letters(...)],
            ['Mail', 'inbox', '/office/inbox', 'Inbox', Gate::allows('inbox'), self::inbox(...)],
            ['Money', 'plans', '/office/plans', 'Plans', Gate::allows('see-plans'), static fn () => 'splits and caps'],
            ['Money', 'fees', '/office/fees', 'Fees', Gate::allows('word-disbursements'), static fn () => 'suggested on new sheets'],
            ['Money', 'wording', '/office/disbursements', 'Authorizations', Gate::allows('word-disbursements'),
                static fn () => 'wording, who is paid by escrow'],
            ['Keeping', 'archive', '/office/archive', 'Archive', Gate::allows('run-office'), self::archive(...)],
            ['Keeping', 'history', '/office/history', 'History', Gate::allows('run-office'), static fn () => 'what was changed, by whom'],
            ['Keeping', 'connections', '/office/connections', 'Connections', true, static fn () => 'tokens, webhooks'],
            ['Keeping', 'running', '/office/running', 'Running', Gate::allows('see-running'), static fn () => 'what waits, what failed'],
            ['You', 'me', '/me', 'My account', true, static fn () => 'password, two-step sign-in'],
        ];
        $shown = array_filter($all, static fn (array $one) => $one[4]);

        return array_values(array_map(static fn (array $one) => [
            'group' => $one[0],
            'key' => $one[1],
            'href' => $one[2],
            'name' => $one[3],
            'stands' => $one[5](),
        ], $shown));
    }

    /** @return list<array{string, string, string, string, bool, callable(): string}> while a brokerage is new */
    private static function setup(): array
    {
        $user = Auth::user();
        $isNew = $user instanceof User && Gate::allows('set-up') && Brokerage::query()->whereKey($user->brokerage_id)->value('sets_up');

        return $isNew ? [['Begin here', 'setup', '/office/setup', 'Setup', true, static fn () => 'step by step']] : [];
    }

    private static function people(): string
    {
        $active = User::colleagues()->where('active', true)->count();
        $invited = User::colleagues()->where('active', true)->whereNotNull('invited_at')->count();

        return ($active === 1 ? '1 person' : "{$active} people").($invited === 0 ? '' : ", {$invited} invited");
    }

    private static function roster(): string
    {
        $open = RosterCase::query()->whereNull('settled_at')->whereNull('canceled_at')->count();

        return $open === 0 ? 'joining, leaving, sharing files' : "{$open} joining or leaving";
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

    private static function letters(): string
    {
        $user = Auth::user();
        $kept = $user instanceof User ? FormLetter::inUse($user)->count() : 0;

        return $kept === 0 ? 'none yet' : self::count($kept, 'letter');
    }

    private static function shelf(): string
    {
        $user = Auth::user();
        $new = $user instanceof User ? ShelfItem::inUse($user)->whereRaw(
            'version > coalesce((SELECT l.version FROM shelf_looks l WHERE l.shelf_item_id = shelf_items.id AND l.user_id = ?), 0)',
            [$user->id],
        )->count() : 0;

        return $new === 0 ? 'what everybody uses' : "{$new} new since you looked";
    }

    private static function archive(): string
    {
        $announced = DB::table('purge_notices')->count();

        return $announced === 0 ? 'how long files are kept' : self::count($announced, 'file').' to be purged';
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
