<?php

declare(strict_types=1);

use App\Access\Http\InOneTransaction;
use App\Access\Http\SeesWhatItNames;
use App\Api\Endpoints;
use App\Api\Http\AnswersJson;
use App\Api\Http\NeedsScope;
use App\Api\Http\OnceOnly;
use App\Api\OpenApi;
use App\Files\Http\OnlyOpenFiles;
use Illuminate\Http\JsonResponse;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Support\Facades\Route;
use Unanimus\Api\ApiScope;

Route::get('/api/v1/openapi.json', static fn () => new JsonResponse(OpenApi::description(), 200, [],
    JSON_UNESCAPED_SLASHES | JSON_PRETTY_PRINT))
    ->middleware('throttle:api')->name('api.description');

Route::prefix('/api/v1')->middleware([AnswersJson::class, 'throttle:api', 'auth:sanctum', InOneTransaction::class])
    ->group(static function (): void {
        foreach (Endpoints::all() as $one) {
            // Documents and tasks go on after a deal has ended; terms and people do not.
            $deal = $one['scope'] === ApiScope::WriteFiles ? [OnlyOpenFiles::class] : [];
            Route::match([$one['method']], $one['path'], $one['does'])
                ->middleware([SubstituteBindings::class, SeesWhatItNames::class, NeedsScope::class.":{$one['scope']->value}",
                    OnceOnly::class, ...$deal]);
        }
    });
