<?php

declare(strict_types=1);

namespace App\Models\Concerns;

use App\Models\AppKeys;
use Illuminate\Support\Facades\DB;

/**
 * Rows that someone from outside reaches on a link of their own: its end is a keyed hash over what it is for, its key and the
 * link's version. Nothing of it is stored, so a copy of the database opens nothing; another version makes it dead.
 *
 * The class says what it is for: LINK, the first part of the path, and FOUND_BY, the database function that finds one row.
 *
 * @phpstan-require-extends \Illuminate\Database\Eloquent\Model
 */
trait HasLink
{
    /** The secret end of the link. */
    public function token(): string
    {
        return $this->key.'.'.self::end(AppKeys::proof(self::meant($this->key, $this->link_version), raw: true));
    }

    public function link(): string
    {
        return url('/'.self::LINK.'/'.$this->token());
    }

    /** What a link leads to: id, brokerage and file, before any of it is in sight; null when the link is none or dead. */
    public static function atLink(string $token): ?object
    {
        [$key, $proof] = explode('.', $token, 2) + [1 => ''];
        $found = preg_match('/^[0-9A-Za-z]{26}$/', $key) === 1 ? DB::selectOne('SELECT * FROM '.self::FOUND_BY.'(?)', [$key]) : null;

        return $found !== null && AppKeys::holds(self::meant($key, (int) $found->link_version), $proof, self::end(...)) ? $found : null;
    }

    private static function meant(string $key, int $version): string
    {
        return self::LINK.":{$key}:{$version}";
    }

    private static function end(string $proof): string
    {
        return rtrim(strtr(base64_encode($proof), '+/', '-_'), '=');
    }
}
