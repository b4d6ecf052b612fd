<?php

declare(strict_types=1);

namespace App\Providers;

use App\Access\AppConnection;
use App\Access\AppConnector;
use App\Access\KeptConnection;
use App\Access\Roots;
use App\Access\SignInFailed;
use App\Exchange\HttpExchange;
use App\Forms\FillFinished;
use App\Forms\OwnShelf;
use App\Models\Actor;
use App\Office\NoteSignIn;
use App\Requirements\Actions\ApplyKit;
use App\Signing\HttpTimeStamps;
use App\Signing\SignAfterFilling;
use App\Storage\Bytes;
use App\Storage\LocalStore;
use App\Storage\S3Store;
use App\Storage\Store;
use Illuminate\Auth\Events\Login;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\PostgresConnection;
use Illuminate\Foundation\Application;
use Illuminate\Http\Request;
use Illuminate\Routing\UrlGenerator;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\ServiceProvider;
use Unanimus\Evidence\TimeStamps;
use Unanimus\Exchange\ListingExchange;
use Unanimus\Forms\Library;
use Unanimus\Intake\ClamdCheck;
use Unanimus\Intake\Converter;
use Unanimus\Intake\HarmCheck;
use Unanimus\Pages\Press;

/** Which real thing stands behind each interface. */
final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        Connection::resolverFor(
            'pgsql',
            static fn ($pdo, string $database, string $prefix, array $config) => match ($config['keep_statements'] ?? null) {
                true => new KeptConnection($pdo, $database, $prefix, $config),
                null => new PostgresConnection($pdo, $database, $prefix, $config),
                default => new AppConnection($pdo, $database, $prefix, $config),
            },
        );
        $this->app->bind('db.connector.pgsql', AppConnector::class);
        $this->app->scoped(Actor::class);
        $this->app->scoped(ApplyKit::class);
        $this->app->singleton(OwnShelf::class);
        $this->app->singleton(
            Library::class,
            static fn (Application $app) => new Library(
                base_path('library'),
                $app->make(OwnShelf::class),
                self::folder(storage_path('framework/cache/forms')),
            ),
        );
        $this->app->bind(HarmCheck::class, static fn () => new ClamdCheck((string) config('unanimus.intake.virus_check')));
        $this->app->bind(Converter::class, static fn (Application $app) => new Converter(
            $app->make(Press::class),
            Roots::trusted(),
            harm: config('unanimus.intake.virus_check') === null ? null : $app->make(HarmCheck::class),
        ));
        $this->app->singleton(
            Press::class,
            static fn () => new Press(base_path('library/fonts'), self::folder(storage_path('framework/cache/press'))),
        );
        $this->app->bind(
            Store::class,
            static fn (Application $app) => config('unanimus.bytes.store') === 's3'
                ? $app->make(S3Store::class)
                : new LocalStore((string) config('unanimus.bytes.folder')),
        );
        $this->app->singleton(Bytes::class, static fn (Application $app) => new Bytes($app->make(Store::class)));
        $this->app->bind(S3Store::class, static fn () => S3Store::fromConfig((array) config('unanimus.bytes.s3')));
        $this->app->bind(
            ListingExchange::class,
            static fn () => new HttpExchange(
                (string) config('unanimus.exchange.name'),
                (string) config('unanimus.exchange.url'),
                (string) config('unanimus.exchange.token'),
            ),
        );
        $this->app->bind(TimeStamps::class, static fn () => new HttpTimeStamps((string) config('unanimus.stamps.url')));
    }

    public function boot(): void
    {
        // A new connection costs more than most pages' queries; what a request sets, it sets for its transaction only. Said
        // here and not in the configuration, which is put together, and kept, by a command that answers no request.
        PHP_SAPI === 'fpm-fcgi' &&
            config([
                'database.connections.pgsql.options' => [\PDO::ATTR_PERSISTENT => true] + (array) config(
                    'database.connections.pgsql.options',
                ),
            ]);
        Model::unguard();
        // Addresses in letters and pages are this installation's own, whatever a request calls it.
        $links = $this->app->make(UrlGenerator::class);
        $links->forceRootUrl((string) config('app.url'));
        $links->forceScheme(str_starts_with((string) config('app.url'), 'https://') ? 'https' : 'http');
        Event::listen(FillFinished::class, SignAfterFilling::class);
        Event::listen(Login::class, [NoteSignIn::class, 'in']);
        Event::listen(SignInFailed::class, [NoteSignIn::class, 'failed']);
        RateLimiter::for(
            'sign-in',
            static fn (Request $request) => [
                Limit::perMinute(8)->by(mb_strtolower((string) $request->input('email')).'|'.$request->ip()),
                Limit::perMinute(30)->by((string) $request->ip()),
            ],
        );
        RateLimiter::for(
            'second-factor',
            static fn (Request $request) => Limit::perMinute(6)->by(
                (string) ($request->user()?->getAuthIdentifier() ?? ($request->session()->get('half-signed-in.id') ?? $request->ip())),
            ),
        );
        RateLimiter::for(
            'password',
            static fn (Request $request) => Limit::perMinutes(10, 6)->by('password:'.$request->user()?->getAuthIdentifier()),
        );
        RateLimiter::for(
            'questions',
            static fn (Request $request) => [Limit::perHour(12)->by('ask:'.hash('sha256', (string) $request->route('token')))],
        );
        RateLimiter::for(
            'codes',
            static fn (Request $request) => [Limit::perHour(30)->by('code:'.hash('sha256', (string) $request->route('token')))],
        );
        RateLimiter::for(
            'pictures',
            static fn (Request $request) => [Limit::perHour(40)->by('picture:'.hash('sha256', (string) $request->route('token')))],
        );
        RateLimiter::for(
            'proof',
            static fn (Request $request) => [
                Limit::perMinute(10)->by('proof:'.$request->ip()),
                Limit::perHour(60)->by('proof an hour:'.$request->ip()),
            ],
        );
        RateLimiter::for(
            'api',
            static fn (Request $request) => Limit::perMinute(120)->by('api:'.hash('sha256', (string) ($request->bearerToken() ?? $request
                ->ip()))),
        );
        RateLimiter::for('links', static fn (Request $request) => Limit::perMinute(600)->by((string) $request->ip()));
    }

    private static function folder(string $path): string
    {
        is_dir($path) || @mkdir($path, 0775, true);

        return $path;
    }
}
