<?php

declare(strict_types=1);

namespace App\Overview\Http;

use App\Models\User;
use App\Overview\Today;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** The Today place. */
final class TodayController
{
    public function __invoke(Request $request): View
    {
        $user = User::signedIn($request);
        $span = in_array($request->query('by'), ['week', 'month', 'quarter'], true) ? (string) $request->query('by') : 'month';
        $people = User::colleagues()
            ->whereIn('id', DB::table('file_members')->select('user_id'))
            ->where('active', true)
            ->orderBy('name')
            ->get();
        $person = $people->firstWhere('key', (string) $request->query('who'));

        $prints = $request->boolean('print');

        return view($prints ? 'files.lanes-print' : 'files.today', [
            'today' => Today::of($user, $span, $person?->id, $prints || $request->query('lanes') === 'all'),
            'span' => $span,
            'people' => $people,
            'person' => $person,
            'grouped' => $request->query('group') === 'file',
        ]);
    }
}
