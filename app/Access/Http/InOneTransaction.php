<?php

declare(strict_types=1);

namespace App\Access\Http;

use App\Access\LookAs;
use App\Models\Sight;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\Response;

/**
 * A request is one transaction: all of what it changes is kept, or nothing is, and what the database is told of the
 * person ends with it.
 */
final class InOneTransaction
{
    public function handle(Request $request, \Closure $next): Response
    {
        DB::beginTransaction();
        try {
            $user = $request->user();
            if ($user instanceof User) {
                Sight::ofPerson($user);
            }
            $looks = $user instanceof User && LookAs::begin($request, $user);
            $response = $next($request);
            // Whoever only looks leaves nothing behind, whatever a page does by being opened.
            ($response->exception ?? null) === null && ! $looks ? DB::commit() : DB::rollBack();
        } catch (\Throwable $thrown) {
            DB::rollBack();

            throw $thrown;
        }

        return $response;
    }
}
