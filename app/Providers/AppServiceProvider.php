<?php

declare(strict_types=1);

namespace App\Providers;

use App\Desk\Accounts\SignedInLately;
use App\Desk\Cache\ForgetPages;
use App\Desk\Cache\Node;
use App\Desk\Design\ReadLayouts;
use App\Desk\Design\SiteDesign;
use App\Desk\LookedAt;
use App\Desk\Outside\OutsideClient;
use App\Desk\RightsOn;
use App\Desk\SeenBy;
use App\Desk\TakeOut\AsksSite;
use App\Http\ApiPace;
use App\Http\Site\AskAsVisitor;
use App\Models\Site;
use App\Short\MissedPages;
use App\Store\CompiledRules;
use App\Store\HitLog;
use App\Store\PgConnection;
use App\Store\Redis\HitList;
use App\Store\Redis\KeptSessions;
use App\Store\Redis\SparedConnector;
use App\Store\RulesFile;
use App\Store\StoredAccess;
use App\Store\StoredMenus;
use App\Store\StoredNames;
use App\Store\Ticks;
use App\Store\WholeMigrations;
use Closure;
use Heronstem\Core\Ripple\Names;
use Illuminate\Cache\RateLimiter;
use Illuminate\Console\Events\CommandFinished;
use Illuminate\Contracts\Events\Dispatcher;
use Illuminate\Contracts\Redis\Factory as RedisFactory;
use Illuminate\Database\Connection;
use Illuminate\Database\ConnectionResolverInterface;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Migrations\Migrator;
use Illuminate\Foundation\Http\Events\RequestHandled;
use Illuminate\Http\Request;
use Illuminate\Queue\Events\JobProcessed;
use Illuminate\Queue\Events\JobProcessing;
use Illuminate\Redis\RedisManager;
use Illuminate\Routing\Middleware\ThrottleRequests;
use Illuminate\Session\SessionManager;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\View;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;
use Laravel\Sanctum\Sanctum;
use PDO;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        Connection::resolverFor(
            'pgsql',
            static fn (PDO|Closure $pdo, string $database, string $prefix, array $config): PgConnection => new PgConnection(
                $pdo,
                $database,
                $prefix,
                $config,
            ),
        );
        $this->app->scoped(LookedAt::class);
        $this->app->scoped(SeenBy::class);
        $this->app->scoped(SignedInLately::class);
        $this->app->singleton(RightsOn::class);
        $this->app->scoped(Ticks::class);
        $this->app->extend(
            'migrator',
            fn (Migrator $of): Migrator => new WholeMigrations(
                $of->getRepository(),
                $this->app->make(ConnectionResolverInterface::class),
                $of->getFilesystem(),
                $this->app->make(Dispatcher::class),
            ),
        );
        $this->app->scoped(CompiledRules::class);
        $this->app->singleton(HitLog::class, static fn (): HitLog => new HitLog(storage_path('app/hits'), HitList::at(config('heronstem.redis'))));
        $this->app->bind(MissedPages::class, static fn (): MissedPages => new MissedPages(Node::here()->folder));
        $this->app->bind(RulesFile::class, static fn (): RulesFile => RulesFile::here(storage_path(), config('database.connections.pgsql.database')));
        $this->app->when(ThrottleRequests::class)->needs(RateLimiter::class)->give(ApiPace::class);
        $this->app->scoped(ReadLayouts::class);
        $this->app->scoped(SiteDesign::class);
        $this->app->bind(Names::class, StoredNames::class);
        $this->app->bind(AsksSite::class, AskAsVisitor::class);
        $this->app->bind(OutsideClient::class, static fn (): OutsideClient => new OutsideClient(standIn: config('heronstem.stand_in')));
    }

    public function boot(): void
    {
        Site::created(function (Site $site): void {
            $this->app->make(StoredMenus::class, ['site' => $site])->begin();
            $this->app->make(StoredAccess::class, ['site' => $site])->begin();
        });
        // What somebody may do is read anew for every request and every job, whoever holds on to the one who reads it.
        Event::listen([RequestHandled::class, JobProcessing::class], fn () => $this->app->make(RightsOn::class)->forget());
        // What work in the background, or a command, has changed is shown from then on.
        Event::listen(JobProcessed::class, fn () => $this->app->make(ForgetPages::class)->now());
        Event::listen(CommandFinished::class, function (CommandFinished $done): void {
            if (str_starts_with((string) $done->command, 'heronstem:') && $done->exitCode === 0) {
                $this->app->make(ForgetPages::class)->now();
            }
        });
        $this->callAfterResolving('redis', static function (RedisManager $redis): void {
            // Bound to the manager by it, so it cannot be static.
            $redis->extend('spared', fn (): SparedConnector => new SparedConnector());
        });
        $this->callAfterResolving('session', function (SessionManager $sessions): void {
            $sessions->extend(
                'kept',
                fn (): KeptSessions => new KeptSessions(
                    $this->app->make(Connection::class),
                    (int) config('session.lifetime'),
                    $this->app,
                    $this->app->make(RedisFactory::class),
                ),
            );
        });
        // Anything else is no token, and is not looked up.
        Sanctum::getAccessTokenFromRequestUsing(
            static fn (Request $request): ?string => preg_match('/^(?:\d{1,18}\|)?[A-Za-z0-9]{1,200}$/D', (string) $request->bearerToken()) === 1
                ? $request->bearerToken()
                : null,
        );
        Model::shouldBeStrict(! $this->app->environment('production'));
        View::addNamespace('layout', config('heronstem.design').'/layouts');
        Vite::useBuildDirectory('_editor');
    }
}
