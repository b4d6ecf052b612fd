<?php

declare(strict_types=1);

namespace App\Mail;

use App\Models\Letter;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\URL;

/** Who asked for no more letters that go out by themselves, and the link by which they do. */
final class NoMore
{
    public static function link(Letter $letter): string
    {
        return url(URL::signedRoute('no-more', ['of' => $letter->brokerage_id, 'address' => (string) $letter->no_more], absolute: false));
    }

    public static function asked(int $brokerageId, string $address): bool
    {
        return DB::table('letters_refused')->where(['brokerage_id' => $brokerageId, 'address' => mb_strtolower($address)])->exists();
    }

    public static function note(int $brokerageId, string $address): void
    {
        DB::table('letters_refused')->insertOrIgnore(['brokerage_id' => $brokerageId, 'address' => mb_strtolower($address)]);
    }
}
