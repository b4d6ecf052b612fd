<?php

declare(strict_types=1);

namespace App\Files\Models;

use App\Access\HasKey;
use Illuminate\Database\Eloquent\Model;
use Unanimus\Signing\Seat;

/**
 * A person in the deal, on a seat.
 *
 * @property int $id
 * @property string $key
 * @property int $brokerage_id
 * @property int $deal_file_id
 * @property string $role
 * @property int $number
 * @property string $name
 * @property string $signing_name
 * @property string $initials
 * @property string|null $email
 * @property string|null $phone
 * @property string|null $firm
 * @property int|null $user_id
 */
final class Party extends Model
{
    use HasKey;

    protected $attributes = ['email' => null, 'phone' => null, 'firm' => null, 'user_id' => null, 'signing_name' => '', 'initials' => ''];

    public function seat(): Seat
    {
        return Seat::of("{$this->role}.{$this->number}");
    }

    /** The name under a glyph: the first of it. */
    public function callName(): string
    {
        return explode(' ', $this->name)[0];
    }

    /** The initials of a name: "José Nguyễn-Ortiz" to "JNO". */
    public static function initialsOf(string $name): string
    {
        preg_match_all('/(?:^|[\s-])(\p{L})/u', $name, $found);

        return mb_strtoupper(mb_substr(implode('', $found[1]), 0, 4));
    }
}
