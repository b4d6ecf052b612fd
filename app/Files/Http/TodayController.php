<?php

declare(strict_types=1);

namespace App\Files\Http;

use App\Access\User;
use App\Files\Today;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

/** The Today place. */
final class TodayController
{
    public function __invoke(Request $request): View
    {
        $user = $request->user();
        $span = in_array($request->query('by'), ['week', 'month', 'quarter'], true) ? (string) $request->query('by') : 'month';

        return view('files.today', ['today' => Today::of($user instanceof User ? $user : abort(403), $span), 'span' => $span]);
    }
}
