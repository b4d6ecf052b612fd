<?php

declare(strict_types=1);

namespace App\Commission;

use App\Models\User;
use Illuminate\Support\Facades\DB;

/** What an agent still owes, in the order in which it is taken. */
final class DebtsOf
{
    /** @return list<array{id: int, label: string, amount: string, to: string}> what is left of each; those paid off are not in it */
    public static function agent(User $agent, Before $before): array
    {
        $left = DB::select('SELECT * FROM debts_left(?, ?) WHERE amount > 0', [$agent->id, $before->besides()]);

        return array_map(static fn (object $debt) => [
            'id' => (int) $debt->id,
            'label' => (string) $debt->label,
            'amount' => (string) $debt->amount,
            'to' => (string) $debt->payee === '' ? 'company' : (string) $debt->payee,
        ], $left);
    }
}
