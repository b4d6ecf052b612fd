<?php

declare(strict_types=1);

use App\Access\Http\InOneTransaction;
use App\Access\Http\KnownHost;
use App\Access\Http\PlainInput;
use App\Access\Http\RequestId;
use App\Access\Http\SamePerson;
use App\Access\Http\SecurityHeaders;
use App\Access\Http\StartSession;
use App\Access\Http\TrustedProxies;
use App\Access\Http\WaitsForTables;
use App\Running\Http\CountRequests;
use App\Signing\Http\StaysHandedOver;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Database\QueryException;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Exceptions\ThrottleRequestsException;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Support\Facades\Lang;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Unanimus\Dates\DateUnreadable;
use Unanimus\Money\AmountUnreadable;
use Unanimus\Pages\DiskFull;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\EntryUnreadable;

// A running copy keeps everything it writes in one state folder; caches of configuration follow it there.
$state = getenv('UNANIMUS_STATE') ?: $_SERVER['UNANIMUS_STATE'] ?? dirname(__DIR__).'/var/demo';
$state = str_starts_with($state, '/') ? $state : dirname(__DIR__).'/'.$state;
foreach (['CONFIG', 'ROUTES', 'EVENTS', 'SERVICES', 'PACKAGES'] as $cache) {
    if (getenv("APP_{$cache}_CACHE") === false) {
        $_ENV["APP_{$cache}_CACHE"] = $_SERVER["APP_{$cache}_CACHE"] = $state.'/cache/'.strtolower($cache).'.php';
    }
}

$app = Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__.'/../routes/web.php', commands: __DIR__.'/../routes/console.php', then: static function (): void {
        require __DIR__.'/../routes/api.php';
    })
    ->withCommands([
        __DIR__.'/../app/Demo',
        __DIR__.'/../app/Bench',
        __DIR__.'/../app/Office/Console',
        __DIR__.'/../app/History/Console',
        __DIR__.'/../app/Forms/Console',
        __DIR__.'/../app/Signing/Console',
        __DIR__.'/../app/Files/Console',
        __DIR__.'/../app/Commission/Console',
        __DIR__.'/../app/Reports/Console',
        __DIR__.'/../app/Intake/Console',
        __DIR__.'/../app/Messages/Console',
        __DIR__.'/../app/Retention/Console',
        __DIR__.'/../app/Api/Console',
        __DIR__.'/../app/Roster/Console',
        __DIR__.'/../app/Notices/Console',
        __DIR__.'/../app/Moving/Console',
        __DIR__.'/../app/Shelf/Console',
        __DIR__.'/../app/Running/Console',
        __DIR__.'/../app/Requirements/Console',
        __DIR__.'/../app/Assembly/Console',
        __DIR__.'/../app/Papers/Console',
        __DIR__.'/../app/Work',
    ])
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->remove(HandleCors::class);
        $middleware->prepend([RequestId::class, SecurityHeaders::class, WaitsForTables::class, CountRequests::class]);
        $middleware->replace(TrustProxies::class, TrustedProxies::class);
        $middleware->append([KnownHost::class, PlainInput::class]);
        $middleware->replaceInGroup('web', Illuminate\Session\Middleware\StartSession::class, StartSession::class);
        $middleware->appendToGroup('web', [StaysHandedOver::class, SamePerson::class, InOneTransaction::class]);
        // A row is looked for only once the database has been told for whom.
        $middleware->prependToPriorityList(SubstituteBindings::class, InOneTransaction::class);
        $middleware->redirectGuestsTo('/sign-in');
        $middleware->redirectUsersTo('/');
        $middleware->validateCsrfTokens(except: ['intake/*']);
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->dontReport([StepRefused::class, DateUnreadable::class, EntryUnreadable::class, AmountUnreadable::class]);
        $exceptions->dontFlash(['password', 'current_password']);
        $tell = static function (Throwable $refused, Request $request, int $status) {
            $reason = $refused instanceof StepRefused ? ['reason' => $refused->reason->value] : [];
            // In the language of a client, where it is said in it.
            $key = 'refusals.'.($reason['reason'] ?? '');
            $words = $refused instanceof StepRefused && Lang::hasForLocale($key) ? (string) __($key, $refused->with) : $refused
                ->getMessage();

            return $request->expectsJson() || $request->header('HX-Request') !== null
                ? response()->json(['message' => $words, ...$reason], $status)
                : back()
                    ->withInput()
                    ->with(['refused' => $words, ...$reason]);
        };
        $exceptions->render(static fn (StepRefused $refused, Request $request) => $tell($refused, $request, 409));
        $exceptions->render(static fn (AuthenticationException $refused, Request $request) => $request->is('api/*')
            ? response()->json(['message' => 'Send a token that is in force, as “Authorization: Bearer una_…”.'], 401)
            : null);
        // Numbers too large for their column, texts too long, bytes that are no text: told in words, and nothing is stored.
        $exceptions->render(
            static fn (QueryException $refused, Request $request) => in_array(
                $refused->getCode(),
                ['22003', '22001', '22021', '22P05', '22P02', '22007', '22008'],
                true,
            )
                ? ($request->isMethodSafe()
                    ? response()->view('errors.404', [], 404)
                    : $tell(
                        new EntryUnreadable(
                            'Something here is too long or cannot be read as text. Nothing was saved; check what you typed.',
                        ),
                        $request,
                        422,
                    ))
                : null,
        );
        $exceptions->render(
            static fn (DiskFull $full, Request $request) => $request->isMethodSafe() && ! $request->expectsJson()
                ? response()->view('errors.full', ['told' => $full->getMessage()], 507)
                : $tell($full, $request, 507),
        );
        $exceptions->render(
            static fn (QueryException $full, Request $request) => $full->getCode() === '53100'
                ? $tell(DiskFull::told(), $request, 507)
                : null,
        );
        // What was typed and cannot be read, wherever it was typed: nothing is stored, and it stands in its field again.
        $exceptions->render(
            static fn (DateUnreadable|EntryUnreadable|AmountUnreadable $unreadable, Request $request) => $tell($unreadable, $request, 422),
        );
        // Asked for in the background: words instead of a page, and never the name of a class.
        $exceptions->render(
            static fn (HttpExceptionInterface $failed, Request $request) => $request->expectsJson() &&
            ! ($failed instanceof ThrottleRequestsException)
                ? response()->json(
                    [
                        'message' => match ($failed->getStatusCode()) {
                            401, 419 => 'Sign in again.',
                            403 => 'You can no longer do this here. What you entered is still on this device.',
                            404 => 'This is gone, or you can no longer see it. What you entered is still on this device.',
                            413 => 'This is too large to send.',
                            429 => 'Too many tries. Wait a minute.',
                            503 => 'Unanimus is down for maintenance. Try again in a few minutes.',
                            default => $failed->getMessage() !== '' && $failed->getStatusCode() < 500
                                ? $failed->getMessage()
                                : 'This did not work. Try again in a moment.',
                        },
                    ],
                    $failed->getStatusCode(),
                    $failed->getHeaders(),
                )
                : null,
        );
    })
    ->create();

$app->useStoragePath($state.'/storage');
$app->useEnvironmentPath($state);

return $app;
