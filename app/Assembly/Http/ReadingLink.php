<?php

declare(strict_types=1);

namespace App\Assembly\Http;

use App\Access\Actor;
use App\Access\Sight;
use App\Assembly\Models\ReadingCopy;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\Response;

/** Lets a reader in on their link: the proof in it is checked, then that one file comes into sight and nothing else. */
final class ReadingLink
{
    public function __construct(private readonly Actor $actor)
    {
    }

    public function handle(Request $request, \Closure $next): Response
    {
        [$key, $proof] = explode('.', (string) $request->route('token'), 2) + [1 => ''];
        $found = preg_match('/^[0-9A-Za-z]{26}$/', $key) === 1 ? DB::selectOne('SELECT * FROM reading_copy_of_link(?)', [$key]) : null;
        if ($found === null || ! hash_equals(ReadingCopy::proof($key, (int) $found->link_version), $proof)) {
            return response()->view('assembly.no-link', [], 404);
        }
        Sight::ofFile((int) $found->brokerage_id, (int) $found->deal_file_id);
        $copy = ReadingCopy::query()->with(['file.office', 'set', 'giver'])->findOrFail($found->id);
        $this->actor->isFromOutside($copy->name);
        $request->attributes->set('copy', $copy);
        if (! $copy->isOpen()) {
            $copy->note('refused', (string) $request->ip());

            return response()->view('assembly.closed', ['copy' => $copy], 410);
        }

        return $next($request);
    }
}
