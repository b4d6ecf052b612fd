<?php

declare(strict_types=1);

namespace App\Requirements\Actions;

use App\History\History;
use App\Models\KitVersion;
use App\Models\Role;
use App\Models\StoredKit;
use App\Models\User;
use App\Requirements\KitShelf;
use Unanimus\Forms\FormUnknown;
use Unanimus\Forms\Library;
use Unanimus\Requirements\ConditionUnreadable;
use Unanimus\Requirements\Kit;
use Unanimus\Requirements\KitRefusal;
use Unanimus\Steps\StepRefused;

/** Keeps kits: each change is a version of its own, and files keep the version they were started with. */
final class SaveKit
{
    public function __construct(private readonly Library $library)
    {
    }

    /** Whether a person may change a kit: their own, or an office's as its broker or administrator. */
    public static function may(User $user, StoredKit $kit): bool
    {
        return $kit->user_id !== null ? $kit->user_id === $user->id : self::mayForOffice($user, $kit->office_id);
    }

    /** Whether a person keeps kits for an office; null: for all offices. */
    public static function mayForOffice(User $user, ?int $officeId): bool
    {
        return $user->holds(Role::Administrator, $officeId) || $user->holds(Role::Broker, $officeId);
    }

    /**
     * A kit of one's own or of an office, from nothing or as a copy.
     *
     * @throws StepRefused when they may not keep kits there
     */
    public function start(User $by, string $name, bool $personal, ?int $officeId, ?Kit $copied = null): StoredKit
    {
        if (! $personal && ! self::mayForOffice($by, $officeId)) {
            throw KitRefusal::OfficeKit->because();
        }
        $definition = [...$copied?->toArray() ?? ['items' => []], 'name' => $name];
        $kit = $this->read('new', $definition);
        $stored = StoredKit::create([
            'brokerage_id' => $by->brokerage_id,
            'office_id' => $personal ? null : $officeId,
            'user_id' => $personal ? $by->id : null,
            'name' => $kit->name,
        ]);
        $stored
            ->versions()
            ->create(['brokerage_id' => $by->brokerage_id, 'version' => 1, 'definition' => $kit->toArray(), 'user_id' => $by->id]);
        $this->tell($stored, 'Kit made');

        return $stored;
    }

    /**
     * Changes parts of a kit.
     *
     * @param array<string, mixed> $parts of the definition
     * @param int $seen the version it was changed from
     *
     * @throws StepRefused when something in it cannot be read, it holds a deal's own data, or someone changed it meanwhile
     */
    public function change(StoredKit $stored, array $parts, int $seen, User $by): StoredKit
    {
        $stored = StoredKit::query()->whereKey($stored->id)->lockForUpdate()->firstOrFail();
        if ($stored->version !== $seen) {
            throw KitRefusal::SavedMeanwhile->because(version: $stored->version);
        }
        $before = KitShelf::get($stored->key, $stored->version)->toArray();
        $kit = $this->read($stored->key, [...$before, ...$parts]);
        if ($kit->toArray() === $before) {
            return $stored;
        }
        $stored
            ->versions()
            ->create([
                'brokerage_id' => $stored->brokerage_id,
                'version' => $seen + 1,
                'definition' => $kit->toArray(),
                'user_id' => $by->id,
            ]);
        $stored->update(['version' => $seen + 1, 'name' => $kit->name]);
        $this->tell($stored, 'Kit changed');

        return $stored;
    }

    /** Takes a kit off the shelf; files that were started with it keep it. */
    public function retire(StoredKit $stored): void
    {
        $stored->update(['retired' => true]);
        $this->tell($stored, 'Kit retired');
    }

    /** Makes an earlier version the present one again. */
    public function bringBack(StoredKit $stored, int $version, User $by): StoredKit
    {
        $old = KitVersion::query()->where('kit_id', $stored->id)->where('version', $version)->firstOrFail();

        return $this->change($stored, $old->definition, $stored->version, $by);
    }

    /** A person's own kits are nobody else's business. */
    private function tell(StoredKit $kit, string $what): void
    {
        $kit->user_id === null &&
            History::ofBrokerage($kit->brokerage_id, $what, ['kit' => $kit->name, 'version' => $kit->version], $kit->office_id);
    }

    /** @param  array<string, mixed>  $definition */
    private function read(string $key, array $definition): Kit
    {
        try {
            $kit = Kit::fromArray($key, $definition);
            foreach ($kit->items as $item) {
                $item->form === null || $this->library->form($item->form);
            }
        } catch (ConditionUnreadable|FormUnknown $unreadable) {
            throw StepRefused::unreadable($unreadable, 'The kit did not change.');
        }
        $told = $kit->ofTheDeal(function (string $form, string $blank): ?string {
            try {
                return $this->library->form($form)->blank($blank)?->binding;
            } catch (FormUnknown) {
                return null;
            }
        });
        if ($told !== []) {
            throw KitRefusal::HoldsDealData->because(faults: implode(' ', $told));
        }

        return $kit;
    }
}
