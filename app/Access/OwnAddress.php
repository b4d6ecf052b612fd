<?php

declare(strict_types=1);

namespace App\Access;

use Closure;
use Illuminate\Routing\UrlGenerator;
use Illuminate\Support\Facades\DB;

/**
 * The address of its own that a brokerage is reached at on an installation that it shares: its people alone sign in there, and
 * links in its emails lead there. It is what the operator has written down, never what a request claims.
 */
final class OwnAddress
{
    private static ?self $current = null;

    private function __construct(public readonly int $brokerage, public readonly string $name, public readonly string $url)
    {
    }

    /** @return non-empty-list<string> all names the installation answers under, with their ports; its own first */
    public static function known(): array
    {
        $url = parse_url((string) config('app.url'));
        $own = strtolower(($url['host'] ?? '').(isset($url['port']) ? ":{$url['port']}" : ''));

        return [
            $own,
            ...array_values(
                array_filter(
                    array_map(static fn (string $host) => strtolower(trim($host)), explode(',', (string) config('unanimus.hosts'))),
                ),
            ),
        ];
    }

    /** Whose address a host is, as an address has it, with its port if it has one; null: no brokerage's own. */
    public static function at(string $host): ?self
    {
        $found = DB::selectOne('SELECT * FROM brokerage_at(?)', [strtolower($host)]);

        return $found === null ? null : new self((int) $found->id, (string) $found->name, (string) $found->address);
    }

    /** From now on all is under this address, or under that of the installation. */
    public static function enter(?self $own): void
    {
        self::$current = $own;
        self::lead($own->url ?? null);
    }

    /** Under whose address a request is answered; null: under that of the installation. */
    public static function current(): ?self
    {
        return self::$current;
    }

    /**
     * Makes links of what goes out under an address; null: as it is.
     *
     * @template T
     *
     * @param Closure(): T $does
     * @return T
     */
    public static function within(?string $address, Closure $does): mixed
    {
        if ($address === null) {
            return $does();
        }
        self::lead($address);
        try {
            return $does();
        } finally {
            self::lead(self::$current->url ?? null);
        }
    }

    private static function lead(?string $url): void
    {
        $url ??= (string) config('app.url');
        $links = app(UrlGenerator::class);
        $links->forceRootUrl($url);
        $links->forceScheme(str_starts_with($url, 'https://') ? 'https' : 'http');
    }
}
