<?php

declare(strict_types=1);

use App\Desk\ChangedMeanwhile;
use App\Desk\ConfirmFirst;
use App\Desk\ContentConflict;
use App\Desk\RippleChanged;
use App\Desk\UnderWay\SiteBusy;
use App\Http\Api\Problem;
use App\Http\InvalidInput;
use App\Http\Middleware\AnswerSites;
use App\Http\Middleware\AnswerWatch;
use App\Http\Middleware\BehindNginx;
use App\Http\Middleware\EditorHeaders;
use App\Http\Middleware\InPlan;
use App\Http\Middleware\ReadInput;
use App\Http\Middleware\StartSessionUnlessToken;
use App\Http\Middleware\TrustConfiguredProxies;
use App\Http\Middleware\VerifyCsrfUnlessToken;
use App\Http\PlainPage;
use App\Http\ReportWithoutWords;
use App\Store\Redis\RedisAway;
use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Refusal;
use Illuminate\Console\Scheduling\Schedule;
use Illuminate\Cookie\Middleware\AddQueuedCookiesToResponse;
use Illuminate\Cookie\Middleware\EncryptCookies;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\ValidatePostSize;
use Illuminate\Http\Request;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Support\Facades\Route;

// Arguments of calls hold people's words: no fault writes them down.
ini_set('zend.exception_ignore_args', '1');

// What is stored is nobody else's to read.
umask(0027);

$app = Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        using: function (): void {
            Route::middleware([ReadInput::class, 'editor'])
                ->prefix('api/v1')
                ->group(base_path('routes/api.php'));
            Route::middleware('editor')->group(base_path('routes/editor.php'));
        },
    )
    ->withCommands([__DIR__.'/../app/Console'])
    ->withSchedule(function (Schedule $schedule): void {
        $schedule->command('heronstem:count-hits')->everyTenSeconds()->withoutOverlapping(5);
        $schedule->job(new App\Jobs\TryOutsideLinks())->everyTenSeconds();
        $schedule->job(new App\Jobs\TellEngines())->everyMinute();
        $schedule->command('heronstem:note-audit-days')->everyTenMinutes()->withoutOverlapping(10);
        $schedule->command('heronstem:empty-site-bin')->daily();
        $schedule->command('heronstem:switch-plans')->everyFifteenSeconds()->withoutOverlapping(5);
        $schedule->command('heronstem:carry-out-schedule')->everyFifteenSeconds()->withoutOverlapping(5);
    })
    ->withMiddleware(function (Middleware $middleware): void {
        // Proxies in front are known before anything asks for host or scheme.
        $middleware->use([AnswerWatch::class, BehindNginx::class, TrustConfiguredProxies::class, AnswerSites::class, ValidatePostSize::class]);
        $middleware->append(EditorHeaders::class);
        $middleware->group('editor', [
            EncryptCookies::class,
            AddQueuedCookiesToResponse::class,
            StartSessionUnlessToken::class,
            VerifyCsrfUnlessToken::class,
            // Pages that only a plan has are found in it.
            InPlan::class,
            SubstituteBindings::class,
        ]);
        $middleware->redirectGuestsTo('/sign-in');
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->render(fn (Throwable $error, Request $request) => $request->is('api/*') ? Problem::from($error) : PlainPage::from($error));
        $exceptions->report(fn (Throwable $error): bool => ReportWithoutWords::of($error));
        $exceptions->dontReport([
            Refusal::class,
            BeyondRights::class,
            ConfirmFirst::class,
            InvalidInput::class,
            RippleChanged::class,
            SiteBusy::class,
            // Said once, when it is found to be away.
            RedisAway::class,
            ChangedMeanwhile::class,
            ContentConflict::class,
            Symfony\Component\HttpKernel\Exception\HttpException::class,
        ]);
    })
    ->create();

return $app->useStoragePath($_ENV['HERONSTEM_STORAGE'] ?? getenv('HERONSTEM_STORAGE') ?: dirname(__DIR__).'/var/storage');
