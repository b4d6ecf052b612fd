<?php

declare(strict_types=1);

namespace App\Shelf\Actions;

use App\History\History;
use App\Models\HeldCredential;
use App\Models\Role;
use App\Models\ShelfItem;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Pages\Press;
use Unanimus\Roster\Credential;
use Unanimus\Shelf\PersonSheet;
use Unanimus\Shelf\ShelfKind;
use Unanimus\Steps\StepRefused;

/** Each person's own sheet: made of what is known of them, and made anew when that changes. */
final class KeepSheet
{
    public function __construct(private readonly KeepShelf $shelf, private readonly Press $press)
    {
    }

    /** What is known of a person today, with their words. */
    public static function of(User $user, string $words): PersonSheet
    {
        $role = $user->officeRoles->first();
        $office = $role?->office;
        $license = HeldCredential::query()
            ->where(['user_id' => $user->id, 'kind' => Credential::License->value])
            ->whereNull('dropped_at')
            ->where('expires_on', '>=', $office?->today()->iso() ?? now()->toDateString())
            ->orderByDesc('expires_on')
            ->first();
        $broker = $office === null ? null : User::inOffice($office, Role::Broker)->first();

        return PersonSheet::of([
            'name' => $user->name,
            'firm' => (string) DB::table('brokerages')->where('id', $user->brokerage_id)->value('name'),
            'office' => $office->name ?? '',
            'phone' => (string) $user->phone,
            'email' => str_ends_with($user->email, '@invalid') ? '' : $user->email,
            'license' => $license->number ?? '',
            'broker' => $broker === null || $broker->id === $user->id ? '' : $broker->name,
        ], $words);
    }

    /**
     * Makes the sheet, or makes it anew with other words.
     *
     * @throws StepRefused when the words do not fit
     */
    public function write(User $user, string $words): ShelfItem
    {
        $sheet = self::of($user, $words);
        $pdf = $this->press->print([$sheet->page()]);
        DB::table('users')->where('id', $user->id)->lockForUpdate()->value('id');
        $item = ShelfItem::query()->where('user_id', $user->id)->lockForUpdate()->first();
        if ($item !== null && $item->words === $sheet->words && $sheet->changed($item->facts) === []) {
            return $item;
        }
        $new = $item === null || $item->words === $sheet->words ? [] : ['New words'];
        $note = $item === null ? '' : implode('; ', [...$sheet->changed($item->facts), ...$new]);
        $values = ['words' => $sheet->words, 'facts' => $sheet->facts, 'title' => "About {$user->name}"];
        $item === null
            ? $item = ShelfItem::create([
                ...$values,
                'brokerage_id' => $user->brokerage_id,
                'user_id' => $user->id,
                'kind' => ShelfKind::Sheet,
                'topic' => 'My own',
            ])
            : $item->update([...$values, 'version' => $item->version + 1]);
        $this->shelf->made($item, $pdf, $note, $user);
        History::ofBrokerage($user->brokerage_id, $item->version === 1 ? 'Own sheet made' : 'Own sheet renewed', [
            'person' => $user->name,
            'why' => $note,
        ], $user->officeRoles->first()?->office_id);

        return $item;
    }

    /** Makes it anew where what it says is no longer so. @return bool whether it did */
    public function renew(ShelfItem $item): bool
    {
        $user = User::query()->with('officeRoles.office')->find($item->user_id);
        if ($user === null || ! $user->active) {
            return false;
        }
        $before = $item->version;
        $this->write($user, $item->words);

        return $item->refresh()->version > $before;
    }
}
