<?php

declare(strict_types=1);

namespace App\Requirements;

use App\Models\DealFile;
use App\Models\FileKit;
use App\Models\KitVersion;
use App\Models\StoredKit;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Requirements\Kit;
use Unanimus\Requirements\KitRefusal;
use Unanimus\Steps\StepRefused;

/** The kits at hand: those that come with the brokerage, the offices' own, and a person's own. */
final class KitShelf
{
    /** @var array<string, Kit> by key and version */
    private static array $read = [];

    /** The kit of that key in that version, or null when there is none. */
    public static function find(string $key, int $version = 0): ?Kit
    {
        if (preg_match('/^[a-z][a-z-]{1,40}$/', $key) === 1) {
            $path = base_path("library/kits/{$key}.json");

            return self::$read[$key] ??= is_file($path) ? Kit::fromFile($path) : null;
        }
        if (isset(self::$read["{$key}:{$version}"])) {
            return self::$read["{$key}:{$version}"];
        }
        $row = KitVersion::query()
            ->join('kits', 'kits.id', '=', 'kit_versions.kit_id')
            ->where('kits.key', $key)
            ->when($version > 0, static fn ($query) => $query->where('kit_versions.version', $version))
            ->orderByDesc('kit_versions.version')
            ->first(['kit_versions.definition', 'kit_versions.version']);

        return $row === null ? null : (self::$read["{$key}:{$row->version}"] = Kit::fromArray($key, $row->definition));
    }

    /** @return list<Kit> what was applied to a file, in order */
    public static function ofFile(DealFile $file): array
    {
        return array_values(array_filter($file->kits->map(static fn (FileKit $one) => self::find($one->kit, $one->version))->all()));
    }

    /** @throws StepRefused when there is none */
    public static function get(string $key, int $version = 0): Kit
    {
        return self::find($key, $version) ?? throw KitRefusal::NoSuchKit->because();
    }

    /** @return list<Kit> the kits that come with the brokerage */
    public static function builtIn(): array
    {
        return array_values(
            array_filter(
                array_map(static fn (string $path) => self::find(basename($path, '.json')), glob(base_path('library/kits/*.json')) ?: []),
            ),
        );
    }

    /** @return list<ShelvedKit> what a person may take, the brokerage’s first */
    public static function for(?User $user): array
    {
        $shelf = array_map(
            static fn (Kit $kit) => new ShelvedKit($kit, 0, 'comes with Unanimus'),
            self::builtIn(),
        );
        $offices = DB::table('offices')->pluck('name', 'id');
        $own = $user?->officeRoles->pluck('office_id')->all();
        foreach (StoredKit::query()->where('retired', false)->orderBy('name')->get() as $stored) {
            if ($stored->office_id !== null && $own !== null && ! in_array($stored->office_id, $own, true)) {
                continue;
            }
            $kit = self::find($stored->key, $stored->version);
            $of = match (true) {
                $stored->user_id !== null => 'my own',
                $stored->office_id === null => 'all offices',
                default => (string) $offices[$stored->office_id],
            };
            $kit === null || ($shelf[] = new ShelvedKit($kit, $stored->version, $of, $stored));
        }

        return $shelf;
    }

    /**
     * The kits that may apply themselves to files of an office opened by that person.
     *
     * @return list<ShelvedKit>
     */
    public static function applyingThemselves(int $officeId, ?int $userId): array
    {
        $shelf = array_map(static fn (Kit $kit) => new ShelvedKit($kit, 0, 'comes with Unanimus'), self::builtIn());
        $stored = StoredKit::query()
            ->where('retired', false)
            ->where(static fn ($any) => $any->whereNull('office_id')->orWhere('office_id', $officeId))
            ->where(static fn ($any) => $any->whereNull('user_id')->orWhere('user_id', $userId ?? 0))
            ->orderBy('id')
            ->get();
        foreach ($stored as $one) {
            $kit = self::find($one->key, $one->version);
            $kit === null || ($shelf[] = new ShelvedKit($kit, $one->version, 'the office', $one));
        }

        return array_values(array_filter($shelf, static fn (ShelvedKit $one) => $one->kit->when !== null));
    }
}
