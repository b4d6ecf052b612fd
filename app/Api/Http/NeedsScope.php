<?php

declare(strict_types=1);

namespace App\Api\Http;

use App\Access\SecondFactor;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** The token must have been made for this. */
final class NeedsScope
{
    public function handle(Request $request, \Closure $next, string $scope): Response
    {
        $user = User::signedIn($request);
        if (SecondFactor::isOwedBy($user)) {
            return new JsonResponse(['message' => SecondFactor::OWED], 403);
        }
        if (! $user->tokenCan($scope)) {
            return new JsonResponse(['message' => "This token may not do that. It needs the scope {$scope}."], 403);
        }

        return $next($request);
    }
}
