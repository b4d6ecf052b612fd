<?php

declare(strict_types=1);

namespace App\Access\Http;

use App\Access\LookAs;
use App\Access\Replica;
use App\Models\Sight;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\Response;

/**
 * A request is one transaction: all of what it changes is kept, or nothing is, and what the database is told of the
 * person ends with it.
 */
final class InOneTransaction
{
    /** How often a request is tried that collides with another. */
    private const TRIES = 3;

    /** Deadlock found; could not serialize. */
    private const COLLISIONS = ['40P01', '40001'];

    public function handle(Request $request, \Closure $next): Response
    {
        $user = $request->user();
        // As they were before anything was tried: what a try has changed of them was taken back.
        $attributes = $user instanceof User ? $user->getAttributes() : [];
        if ($user instanceof User && Replica::isFor($request) && Replica::isFresh()) {
            try {
                $response = Replica::read(fn () => $this->answer($request, $next, $this->anew($attributes)));
                if (! Replica::refused($response->exception ?? null)) {
                    return $response;
                }
            } catch (\Throwable $thrown) {
                Replica::refused($thrown) || throw $thrown;
            }
            Auth::setUser($user);
        }
        for ($try = 1; ; $try++) {
            try {
                $response = $this->answer($request, $next, $user);
                if ($try === self::TRIES || ! self::collided($response->exception ?? null) || $request->allFiles() !== []) {
                    return $response;
                }
            } catch (\Throwable $thrown) {
                self::collided($thrown) && $try < self::TRIES && $request->allFiles() === [] || throw $thrown;
            }
            // What the address names is looked up anew, and so is who asks.
            $request->route()?->bind($request);
            $user = $user instanceof User ? $this->anew($attributes) : null;
        }
    }

    /** Whether two requests waited for each other and this one was taken back: asked again it finds what the other left. */
    private static function collided(?\Throwable $thrown): bool
    {
        for (; $thrown !== null; $thrown = $thrown->getPrevious()) {
            if ($thrown instanceof \PDOException && in_array((string) $thrown->getCode(), self::COLLISIONS, true)) {
                return true;
            }
        }

        return false;
    }

    /**
     * The same person, whose rows are read where the request reads.
     *
     * @param array<string, mixed> $attributes
     */
    private function anew(array $attributes): User
    {
        $user = (new User())->newFromBuilder($attributes, DB::getDefaultConnection());
        Auth::setUser($user);

        return $user;
    }

    private function answer(Request $request, \Closure $next, mixed $user): Response
    {
        DB::beginTransaction();
        try {
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
