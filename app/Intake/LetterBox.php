<?php

declare(strict_types=1);

namespace App\Intake;

use App\Models\Sight;
use Illuminate\Support\Facades\DB;

/** Whose inbox a message is for: the brokerage whose token came with it. */
final class LetterBox
{
    public static function of(string $token): ?int
    {
        $box = $token === '' ? null : DB::scalar('SELECT brokerage_of_letter_box(?)', [hash('sha256', $token)]);

        return $box === null ? null : (int) $box;
    }

    /**
     * By an address: that of a file or a person says whose it is; any other is for the brokerage of the token, or the only one.
     */
    public static function at(string $address, string $token = ''): ?int
    {
        $code = preg_match('/\.([a-z0-9]{6,16})@/', strtolower($address), $m) === 1 ? $m[1] : null;
        $box = $code === null ? null : DB::scalar('SELECT brokerage_of_mail_code(?)', [$code]);

        return $box === null ? self::here($token) : (int) $box;
    }

    /** On this machine, where the only brokerage needs no token. */
    public static function here(string $token): ?int
    {
        $all = $token === '' ? Sight::brokerages() : [];

        return $token === '' ? (count($all) === 1 ? $all[0] : null) : self::of($token);
    }
}
