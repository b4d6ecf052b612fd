<?php

declare(strict_types=1);

namespace App\Api\Http;

use App\Api\Actions\KeepAnswers;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Unanimus\Api\ApiRefusal;

/**
 * A request that is sent again with the same Idempotency-Key is answered as before and does nothing more. The answer is kept in the
 * transaction of what was done.
 */
final class OnceOnly
{
    public function __construct(private readonly KeepAnswers $answers)
    {
    }

    public function handle(Request $request, \Closure $next): Response
    {
        $once = (string) $request->header('Idempotency-Key', '');
        if ($request->isMethodSafe() || $once === '') {
            return $next($request);
        }
        $user = User::signedIn($request);
        $files = array_map(static fn (mixed $one) => is_object($one) && method_exists($one, 'getPathname') ? hash_file('sha256', $one
            ->getPathname()) : '',
            $request->allFiles());
        $asked = hash('sha256', "{$request->method()} {$request->path()}\n".json_encode([$request->except(array_keys($files)), $files]));
        $once = hash('sha256', $once);
        $before = $this->answers->before($user, $once);
        if ($before !== null) {
            $before['asked'] === $asked || throw ApiRefusal::OtherBody->because();

            return new JsonResponse($before['body'], $before['status'], ['Idempotency-Replayed' => 'true'], json: true);
        }
        $answer = $next($request);
        $answer->getStatusCode() < 300 && $this->answers->keep($user, $once, $asked, $answer->getStatusCode(), (string) $answer
            ->getContent());

        return $answer;
    }
}
