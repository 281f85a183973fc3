<?php

declare(strict_types=1);

namespace App\Providers;

use App\Access\SignInThrottle;
use App\Journal\Journal;
use App\Judged\JudgingAhead;
use App\Live\FittingChanged;
use App\Models\Appointment;
use App\Models\Bay;
use App\Models\BinEntry;
use App\Models\Decision;
use App\Models\Fitting;
use App\Models\HeldShot;
use App\Models\ImportFile;
use App\Models\LogEntry;
use App\Models\LongClub;
use App\Models\Order;
use App\Models\Part;
use App\Models\Player;
use App\Models\PlayerLink;
use App\Models\RackHead;
use App\Models\Round;
use App\Models\Setup;
use App\Models\Shot;
use App\Models\SignIn;
use App\Models\Sleeve;
use App\Models\Trial;
use App\Models\User;
use App\Policies\SignInPolicy;
use App\Policies\StudioPolicy;
use App\Support\Transaction;
use Illuminate\Cache\RateLimiter as RateLimiterCount;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Contracts\Events\Dispatcher;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Queue\Events\Looping;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\ServiceProvider;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        // One for each request: it holds what changed while an entry is open.
        $this->app->scoped(Journal::class);
        $this->app->scoped(JudgingAhead::class);
        $this->app->when(SignInThrottle::class)->needs(RateLimiterCount::class)
            ->give(static fn (): RateLimiterCount => new RateLimiterCount(Cache::store('database')));
    }

    public function boot(Dispatcher $events): void
    {
        Transaction::watch($events);
        $events->listen(FittingChanged::class, fn (FittingChanged $e) => $this->app->make(JudgingAhead::class)->changed($e->fitting));
        $this->app->terminating(fn () => $this->app->make(JudgingAhead::class)->sent());
        $events->listen(Looping::class, JudgingAhead::beat(...));
        $proxies = config('mintcarry.proxies');
        TrustProxies::at(is_array($proxies) ? array_values(array_filter($proxies, is_string(...))) : []);
        TrustProxies::withHeaders(Request::HEADER_X_FORWARDED_FOR | Request::HEADER_X_FORWARDED_PROTO);
        Model::shouldBeStrict(! $this->app->environment('production'));
        Route::model('held', HeldShot::class);
        Route::model('head', RackHead::class);
        Route::model('person', User::class);
        Route::model('link', PlayerLink::class);
        JsonResource::withoutWrapping();
        foreach (
            [
                Player::class, Fitting::class, Setup::class, Shot::class, ImportFile::class, Decision::class, RackHead::class,
                Sleeve::class, Part::class, Bay::class, HeldShot::class, Trial::class, LogEntry::class, User::class, BinEntry::class,
                Appointment::class, PlayerLink::class, Order::class, Round::class, LongClub::class,
            ] as $model
        ) {
            Gate::policy($model, StudioPolicy::class);
        }
        Gate::policy(SignIn::class, SignInPolicy::class);
        RateLimiter::for('player-link', fn (Request $request): Limit => Limit::perMinute(60)
            ->by('link|'.SignInThrottle::network((string) $request->ip())));
        // Before the token: so many posts from one address, whatever they are spelt like. After it: `AfterToken`.
        RateLimiter::for('feed-address', fn (Request $request): Limit => Limit::perMinute(
            (int) config('mintcarry.address_posts_per_minute'),
        )->by('feed|'.SignInThrottle::network((string) $request->ip())));
    }
}
