<?php

declare(strict_types=1);

namespace App\Providers;

use App\Bench\Support\MeshStore;
use App\People\Models\User;
use App\Planning\Http\CalendarController;
use App\Runs\Queries\Makeable;
use App\Shop\Models\PolymerOverride;
use App\Support\ShopClock;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Processes;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Eloquent\Factories\Factory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\Relation;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;
use Laravel\Sanctum\PersonalAccessToken;
use Laravel\Sanctum\Sanctum;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        // The core's library with this shop's own values laid over it; read when a calculation first asks.
        $this->app->scoped(
            PolymerLibrary::class,
            static fn (): PolymerLibrary => new PolymerLibrary(PolymerOverride::inForce()),
        );
        $this->app->singleton(
            ShopClock::class,
            static fn (): ShopClock => new ShopClock(
                storage_path('framework/clock.json'),
                zone: ShopClock::zone(config('app.shop_timezone')),
            ),
        );
        $this->app->scoped(MeshStore::class);
        $this->app->scoped(
            Registry::class,
            static fn ($app): Registry => new Registry($app->make(PolymerLibrary::class), $app->make(MeshStore::class)),
        );
        $this->app->scoped(
            Processes::class,
            static fn ($app): Processes => new Processes($app->make(Registry::class)),
        );
        // When machines come free is worked out from every run under way: once for a page, not for each part of it.
        $this->app->scoped(Makeable::class);
    }

    public function boot(): void
    {
        Model::shouldBeStrict(! $this->app->isProduction());
        Model::preventSilentlyDiscardingAttributes();
        // Models lie in the area that they are of; what makes them up for tests lies together.
        Factory::guessFactoryNamesUsing(static function (string $model): string {
            /** @var class-string<Factory<Model>> $factory */
            $factory = 'Database\\Factories\\'.class_basename($model).'Factory';

            return $factory;
        });
        // What a row says about whom it is of outlives the name of a class.
        Relation::enforceMorphMap(['person' => User::class]);
        // Whatever host or port the page is asked on, its files are beside it.
        Vite::createAssetPathsUsing(static fn (string $path): string => '/'.$path);
        // Only `dithermic dev` has its screens served by another; a stray file would break the policy of a real shop.
        Vite::useHotFile(config('app.dev_server') === null ? storage_path('no-dev-server') : storage_path('hot'));

        // A calendar elsewhere sends no header: its address is the key.
        Sanctum::getAccessTokenFromRequestUsing(
            static fn (Request $request): ?string => CalendarController::keyOf($request) ?? $request->bearerToken(),
        );

        $who = static fn (Request $request): string => (string) (
            $request->user()?->getAuthIdentifier() ?? $request->ip()
        );
        $text = static fn (Request $request, string $name): string => is_scalar($request->input($name)) ? mb_substr(
            (string) $request->input($name),
            0,
            100,
        ) : '';
        // Each instrument for itself: what they send is no reason to turn away the screen of who let them in.
        RateLimiter::for('api', static function (Request $request) use ($who): Limit {
            $token = $request->user()?->currentAccessToken();

            return Limit::perMinute(1200)->by(
                $token instanceof PersonalAccessToken ? "token|{$token->id}" : $who($request),
            );
        });
        RateLimiter::for('sign-in', static fn (Request $request): array => [
            Limit::perMinute(10)->by('login|'.mb_strtolower($text($request, 'login')).'|'.$request->ip()),
            Limit::perMinute(60)->by('ip|'.$request->ip()),
        ]);
        RateLimiter::for('upload', static fn (Request $request): Limit => Limit::perMinute(20)->by('upload|'.$who($request)));
        RateLimiter::for(
            'passport',
            static fn (Request $request): Limit => Limit::perMinute(30)->by('passport|'.$request->ip()),
        );
        RateLimiter::for('calendar', static fn (Request $request): Limit => Limit::perMinute(30)->by('calendar|'.$request->ip()));
        RateLimiter::for('pairing', static fn (Request $request): Limit => Limit::perMinute(60)->by('pairing|'.$request->ip()));
        RateLimiter::for('pin', static fn (Request $request): Limit => Limit::perMinute(5)->by(
            'pin|'.(string) (int) $text($request, 'person_id').'|'.$request->ip(),
        ));
    }
}
