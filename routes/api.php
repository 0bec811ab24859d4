<?php

declare(strict_types=1);

use App\Http\Api\AccountController;
use App\Http\Api\AddressController;
use App\Http\Api\AddressesController;
use App\Http\Api\AuditController;
use App\Http\Api\BatchController;
use App\Http\Api\BranchController;
use App\Http\Api\BringInController;
use App\Http\Api\CodeController;
use App\Http\Api\ContentController;
use App\Http\Api\DoorController;
use App\Http\Api\FileChangesController;
use App\Http\Api\FileController;
use App\Http\Api\FilmController;
use App\Http\Api\GoToController;
use App\Http\Api\HistoryController;
use App\Http\Api\JobsController;
use App\Http\Api\LayoutController;
use App\Http\Api\MatchListsController;
use App\Http\Api\MenuController;
use App\Http\Api\OutlineController;
use App\Http\Api\OutsideController;
use App\Http\Api\OwnAccountController;
use App\Http\Api\PageController;
use App\Http\Api\PasteController;
use App\Http\Api\PeopleController;
use App\Http\Api\PieceController;
use App\Http\Api\PlansController;
use App\Http\Api\RedirectFilesController;
use App\Http\Api\ReplaceController;
use App\Http\Api\RightsController;
use App\Http\Api\SearchController;
use App\Http\Api\SearchesController;
use App\Http\Api\SessionController;
use App\Http\Api\SiteController;
use App\Http\Api\SitesController;
use App\Http\Api\SourceController;
use App\Http\Api\StartingPointController;
use App\Http\Api\StructureController;
use App\Http\Api\TagController;
use App\Http\Api\TakeOutController;
use App\Http\Api\UnderWayController;
use App\Http\Api\VersionController;
use App\Http\Api\VisitorsController;
use App\Http\Api\WritingController;
use App\Http\Middleware\ConfirmedLately;
use App\Http\Middleware\KnowWho;
use App\Http\Middleware\SeesPart;
use App\Http\Middleware\SessionOnly;
use Illuminate\Support\Facades\Route;

Route::get('session', [SessionController::class, 'show']);
Route::post('session', [SessionController::class, 'store']);
Route::post('password-forgotten', [AccountController::class, 'forgotten']);
Route::get('account-links/{token}', [AccountController::class, 'show'])->where('token', '[0-9a-f]{48}');
Route::post('account-links/{token}/confirmed', [AccountController::class, 'confirm'])->where('token', '[0-9a-f]{48}');
Route::post('account-links/{token}', [AccountController::class, 'use'])->where('token', '[0-9a-f]{48}');

Route::middleware([KnowWho::class, 'throttle:api'])->group(function (): void {
    Route::delete('session', [SessionController::class, 'destroy']);
    Route::post('session/confirmed', [SessionController::class, 'confirm']);
    Route::middleware(SessionOnly::class)
        ->prefix('account')
        ->group(function (): void {
            Route::get('', [OwnAccountController::class, 'show']);
            Route::delete('sessions', [OwnAccountController::class, 'endSessions']);
            Route::delete('sessions/{session}', [OwnAccountController::class, 'endSession'])->where('session', '[0-9a-f]{32}');
            Route::delete('tokens/{token}', [OwnAccountController::class, 'endToken'])->where('token', '[0-9]{1,18}');
            Route::middleware(ConfirmedLately::class)->group(function (): void {
                Route::patch('', [OwnAccountController::class, 'update']);
                Route::post('tokens', [OwnAccountController::class, 'makeToken']);
                Route::post('second-step', [OwnAccountController::class, 'begin']);
                Route::put('second-step', [OwnAccountController::class, 'confirm']);
                Route::delete('second-step', [OwnAccountController::class, 'end']);
                Route::post('recovery-codes', [OwnAccountController::class, 'newCodes']);
            });
        });

    Route::post('sites', [SitesController::class, 'store'])->middleware([SessionOnly::class, ConfirmedLately::class]);
    Route::delete('sites/{site}', [SitesController::class, 'destroy'])->middleware([SessionOnly::class, ConfirmedLately::class]);
    Route::get('sites/{site}/removal', [SitesController::class, 'removal']);
    Route::get('removed-sites', [SitesController::class, 'removed'])->middleware(SessionOnly::class);
    Route::post('removed-sites/{key}', [SitesController::class, 'bringBack'])
        ->where('key', '[a-z0-9-]{1,60}')
        ->middleware([SessionOnly::class, ConfirmedLately::class]);
    // A page or entry of another site is not found under this one. Who may come in is asked here, and nowhere else.
    Route::prefix('sites/{site}')
        ->scopeBindings()
        ->group(function (): void {
            // Whoever looks as another is stopped from nothing but acting: stopping to look is open to everybody.
            Route::delete('looking-as', [DoorController::class, 'stopLooking']);
            Route::middleware(['can:see,site', SeesPart::class])->group(function (): void {
                Route::get('outline', [OutlineController::class, 'show']);
                Route::get('branch', [OutlineController::class, 'branch']);
                Route::get('filter', [OutlineController::class, 'filter']);
                Route::get('go-to', [GoToController::class, 'index']);
                Route::post('address', [AddressController::class, 'preview'])->withoutMiddleware(SeesPart::class);
                Route::get('explain', [AddressController::class, 'explain']);
                Route::get('addresses', [AddressesController::class, 'index']);
                Route::get('addresses/below', [AddressesController::class, 'below']);
                Route::get('addresses/near', [AddressesController::class, 'near']);
                Route::get('addresses/missed', [AddressesController::class, 'missed']);
                Route::post('addresses/tried', [AddressesController::class, 'tried']);
                Route::post('redirects-match', [RedirectFilesController::class, 'match']);
                Route::get('redirects-export', [RedirectFilesController::class, 'export']);
                Route::get('redirects-not-carried', [RedirectFilesController::class, 'notCarried']);
                Route::get('redirect-findings', [AddressesController::class, 'findings']);
                Route::get('redirects/{redirect}', [AddressesController::class, 'redirect']);
                Route::get('filter/pages', [OutlineController::class, 'pages']);
                Route::get('layouts', [LayoutController::class, 'index']);
                Route::get('layouts/{layout}/pages', [LayoutController::class, 'pages'])->where('layout', '[a-z0-9-]{1,40}');
                Route::get('layouts/{layout}/export', [LayoutController::class, 'export'])->where('layout', '[a-z0-9-]{1,40}');
                Route::post('layouts/{layout}/import', [LayoutController::class, 'read'])->where('layout', '[a-z0-9-]{1,40}');
                Route::get('people', [PeopleController::class, 'index']);
                Route::get('bin', [StructureController::class, 'bin']);
                Route::get('structure', [StructureController::class, 'picture']);
                Route::get('names', [SiteController::class, 'show']);
                Route::get('settings', [SiteController::class, 'settings']);
                Route::get('menus', [MenuController::class, 'index'])->withoutMiddleware(SeesPart::class);
                Route::get('menus-unreached', [MenuController::class, 'unreached'])->withoutMiddleware(SeesPart::class);
                Route::get('menus/{menu}', [MenuController::class, 'show'])->withoutMiddleware(SeesPart::class);
                Route::post('menus/{menu}/arranged', [MenuController::class, 'arranged'])->withoutMiddleware(SeesPart::class);
                Route::get('menus/{menu}/file', [MenuController::class, 'file'])->withoutMiddleware(SeesPart::class);
                Route::post('menus/{menu}/read', [MenuController::class, 'read'])->withoutMiddleware(SeesPart::class);
                Route::get('pages/{page}/menus', [MenuController::class, 'ofPage']);
                Route::get('history', [HistoryController::class, 'index']);
                Route::get('history/{entry}', [HistoryController::class, 'show']);
                Route::get('history/{entry}/rows/{group}', [HistoryController::class, 'rows']);
                Route::get('pages/{page}', [PageController::class, 'show']);
                Route::get('pages/{page}/search', [SearchController::class, 'page']);
                Route::get('search-grid', [SearchController::class, 'grid']);
                Route::post('search-grid/measured', [SearchController::class, 'measured']);
                Route::get('patterns', [SearchController::class, 'patterns']);
                Route::post('patterns/tried', [SearchController::class, 'tried']);
                Route::get('crawling', [SearchController::class, 'crawling']);
                Route::post('crawling/tried', [SearchController::class, 'triedRobots']);
                Route::get('outside-links', [OutsideController::class, 'links']);
                Route::get('engine-messages', [OutsideController::class, 'messages']);
                Route::get('searches', [SearchesController::class, 'index']);
                Route::get('link-graph', [SearchController::class, 'graph']);
                Route::get('links', [SearchController::class, 'links']);
                Route::get('search-export', [SearchController::class, 'export']);
                Route::post('search-import', [SearchController::class, 'read']);
                Route::get('audit', [AuditController::class, 'overview']);
                Route::get('findings', [AuditController::class, 'findings']);
                Route::get('findings/{check}', [AuditController::class, 'ofCheck'])->where('check', '[a-z-]{1,60}');
                Route::get('findings-export', [AuditController::class, 'export']);
                Route::get('dismissals', [AuditController::class, 'dismissals']);
                Route::get('pages/{page}/content', [ContentController::class, 'show']);
                Route::put('pages/{page}/presence', [WritingController::class, 'present']);
                Route::delete('pages/{page}/presence', [WritingController::class, 'leave']);
                Route::post('pages/{page}/reviewed', [WritingController::class, 'review']);
                Route::post('pages/{page}/shown', [WritingController::class, 'show']);
                Route::post('pages/{page}/source', [SourceController::class, 'write']);
                Route::post('pages/{page}/source-read', [SourceController::class, 'read']);
                Route::get('pages/{page}/places', [WritingController::class, 'places']);
                Route::get('pages/{page}/versions', [VersionController::class, 'index']);
                Route::get('pages/{page}/versions/{number}', [VersionController::class, 'show'])->where('number', '[0-9]{1,9}');
                Route::get('pages/{page}/versions/{left}/against/{right}', [VersionController::class, 'compare'])->where([
                    'left' => '[0-9]{1,9}',
                    'right' => '[0-9]{1,9}',
                ]);
                Route::get('starting-points', [StartingPointController::class, 'index']);
                Route::get('pages/{page}/code', [CodeController::class, 'page']);
                Route::get('head', [CodeController::class, 'site']);
                Route::post('code-read', [CodeController::class, 'read']);
                Route::get('tags', [TagController::class, 'index']);
                Route::get('failed-jobs', [JobsController::class, 'index']);
                Route::post('failed-jobs/{job}/again', [JobsController::class, 'again'])->where('job', '[0-9a-f-]{36}');
                Route::delete('failed-jobs/{job}', [JobsController::class, 'forget'])->where('job', '[0-9a-f-]{36}');
                Route::get('under-way', [UnderWayController::class, 'index'])->withoutMiddleware(SeesPart::class);
                Route::get('under-way/{change}', [UnderWayController::class, 'show'])
                    ->where('change', '[0-9A-Za-z]{26}')
                    ->withoutMiddleware(SeesPart::class);
                Route::get('plans', [PlansController::class, 'index']);
                Route::get('export', [TakeOutController::class, 'show']);
                Route::get('bring-in-template', [BringInController::class, 'template']);
                Route::get('pieces', [PieceController::class, 'index']);
                Route::get('pieces/{piece}', [PieceController::class, 'show']);
                Route::get('pieces/{piece}/versions/{number}', [PieceController::class, 'version'])->where('number', '[0-9]{1,9}');
                Route::post('shown', [PieceController::class, 'shown']);
                Route::get('files', [FileController::class, 'index']);
                Route::get('files/{file}', [FileController::class, 'show']);
            });
            Route::middleware('can:change,site')->group(function (): void {
                // What it takes to set a text or a field is asked where it is known which is set.
                Route::patch('pages/{page}', [PageController::class, 'update']);
                Route::post('found', [ReplaceController::class, 'find'])->middleware(SeesPart::class);
                Route::post('plans', [PlansController::class, 'store']);
                Route::get('plans/{plan}', [PlansController::class, 'show']);
                Route::patch('plans/{plan}', [PlansController::class, 'update']);
                Route::delete('plans/{plan}', [PlansController::class, 'remove']);
                Route::post('plans/{plan}/steps', [PlansController::class, 'add']);
                Route::delete('plans/{plan}/steps/{step}', [PlansController::class, 'removeStep']);
                Route::post('plans/{plan}/accepted', [PlansController::class, 'accept']);
                Route::post('plans/{plan}/decisions', [PlansController::class, 'decide']);
                Route::post('plans/{plan}/switched', [PlansController::class, 'on']);
                Route::get('plans/{plan}/ripple/{group}', [PlansController::class, 'rows']);
                Route::get('plans/{plan}/findings', [PlansController::class, 'findings']);
                Route::get('plans/{plan}/against/{other}', [PlansController::class, 'compare'])->where('other', '[0-9A-Z]{26}');
                Route::post('plans/{plan}/link', [PlansController::class, 'link']);
                Route::delete('plans/{plan}/link', [PlansController::class, 'unlink']);
                Route::post('pages/{page}/to-site-ripple', [BranchController::class, 'ripple']);
                Route::post('pages/{page}/to-site', [BranchController::class, 'store']);
                Route::get('bring-in', [BringInController::class, 'index']);
                Route::post('bring-in', [BringInController::class, 'store']);
                Route::get('bring-in/{source}', [BringInController::class, 'show']);
                Route::patch('bring-in/{source}', [BringInController::class, 'update']);
                Route::delete('bring-in/{source}', [BringInController::class, 'remove']);
                Route::get('bring-in/{source}/pages', [BringInController::class, 'pages'])->middleware(SeesPart::class);
                Route::post('bring-in/{source}/applied', [BringInController::class, 'apply']);
                Route::post('ripple', [BatchController::class, 'ripple']);
                Route::post('ripple-findings', [BatchController::class, 'findings']);
                Route::post('ripple/{group}', [BatchController::class, 'rows']);
                Route::delete('under-way/{change}', [UnderWayController::class, 'stop'])->where('change', '[0-9A-Za-z]{26}');
                Route::post('batches', [BatchController::class, 'store']);
                Route::post('undo/ripple', [HistoryController::class, 'severalRipple']);
                Route::post('undo', [HistoryController::class, 'undoSeveral']);
                Route::post('history/{entry}/ripple', [HistoryController::class, 'ripple']);
                Route::post('history/{entry}/undo', [HistoryController::class, 'undo']);
            });
            Route::middleware('can:bringIn,site')->group(function (): void {
                Route::post('files', [FileController::class, 'store']);
                Route::post('documents', [FileController::class, 'document']);
                Route::post('pasted', [PasteController::class, 'store']);
                Route::post('films', [FilmController::class, 'lookUp']);
            });
            Route::middleware('can:may,page,"write"')->group(function (): void {
                Route::put('pages/{page}/content', [ContentController::class, 'update']);
                Route::put('pages/{page}/draft', [ContentController::class, 'keep']);
                Route::delete('pages/{page}/draft', [ContentController::class, 'drop']);
                Route::post('pages/{page}/publish', [ContentController::class, 'publish']);
            });
            Route::middleware('can:may,site,"addresses"')
                ->controller(MatchListsController::class)
                ->group(function (): void {
                    Route::get('match-lists', 'index');
                    Route::post('match-lists', 'store');
                    Route::get('match-lists/{list}', 'show');
                    Route::get('match-lists/{list}/file', 'file');
                    Route::patch('match-lists/{list}', 'update');
                    Route::delete('match-lists/{list}', 'remove');
                    Route::post('match-lists/{list}/choices', 'choose');
                    Route::post('match-lists/{list}/matched', 'match');
                });
            foreach (
                [
                    'addresses' => [
                        ['post', 'addresses/ignored', [AddressesController::class, 'ignore']],
                        ['post', 'redirects-import', [RedirectFilesController::class, 'import']],
                        ['get', 'redirects-import/{import}', [RedirectFilesController::class, 'progressOf']],
                        ['delete', 'redirects-import/{import}', [RedirectFilesController::class, 'stop']],
                    ],
                    'settings' => [
                        ['patch', 'names', [SiteController::class, 'update'], true],
                        ['put', 'caching', [SiteController::class, 'caching']],
                        ['get', 'history-thinning', [HistoryController::class, 'countThinning']],
                        ['post', 'history-thinning', [HistoryController::class, 'thin'], true],
                        ['post', 'starting-points', [StartingPointController::class, 'store']],
                        ['patch', 'starting-points/{point}', [StartingPointController::class, 'update']],
                        ['put', 'starting-points/{point}/pages', [StartingPointController::class, 'keep']],
                        ['delete', 'starting-points/{point}', [StartingPointController::class, 'remove']],
                    ],
                    'files' => [
                        ['post', 'pieces', [PieceController::class, 'store']],
                        ['put', 'pieces/{piece}', [PieceController::class, 'update']],
                        ['delete', 'pieces/{piece}', [PieceController::class, 'remove']],
                        ['patch', 'files/{file}', [FileChangesController::class, 'update']],
                        ['delete', 'files/{file}', [FileChangesController::class, 'bin']],
                        ['post', 'files/{file}/content', [FileChangesController::class, 'replace']],
                        ['post', 'files/{file}/versions/{number}', [FileChangesController::class, 'bringBack']],
                    ],
                    'people' => [
                        ['get', 'rights', [RightsController::class, 'index']],
                        ['get', 'rights/why', [RightsController::class, 'why']],
                        ['post', 'people', [PeopleController::class, 'store']],
                        ['post', 'people/{person}/invitation', [PeopleController::class, 'again'], true],
                        ['put', 'people/{person}/disabled', [DoorController::class, 'disable'], true],
                        ['delete', 'people/{person}/disabled', [DoorController::class, 'enable'], true],
                        ['put', 'roles/{role}/second-step', [DoorController::class, 'needSecondStep'], true],
                        ['get', 'security-log', [DoorController::class, 'log']],
                        ['put', 'looking-as', [DoorController::class, 'lookAs']],
                    ],
                    'access' => [
                        ['get', 'visitors', [VisitorsController::class, 'index']],
                        ['post', 'visitors', [VisitorsController::class, 'store'], true],
                        ['patch', 'visitors/{visitor}', [VisitorsController::class, 'update'], true],
                        ['delete', 'visitors/{visitor}', [VisitorsController::class, 'remove'], true],
                        ['post', 'visitors/{visitor}/invitation', [VisitorsController::class, 'again'], true],
                        ['post', 'visitors-read', [VisitorsController::class, 'read']],
                        ['post', 'visitors-import', [VisitorsController::class, 'import'], true],
                        ['get', 'visitors-export', [VisitorsController::class, 'export']],
                        ['put', 'sign-up', [VisitorsController::class, 'signUp'], true],
                    ],
                    'search' => [
                        ['post', 'audit', [AuditController::class, 'again']],
                        ['post', 'dismissals', [AuditController::class, 'dismiss']],
                        ['delete', 'dismissals/{page}/{check}', [AuditController::class, 'reinstate']],
                        ['post', 'outside-links/again', [OutsideController::class, 'tryAgain']],
                        ['post', 'engine-messages/{message}/again', [OutsideController::class, 'sendAgain']],
                        ['delete', 'searches', [SearchesController::class, 'forget']],
                    ],
                ] as $right => $operations
            ) {
                Route::middleware("can:may,site,\"$right\"")->group(function () use ($operations): void {
                    foreach ($operations as $operation) {
                        [$method, $path, $action] = $operation;
                        $route = Route::addRoute(strtoupper($method), $path, $action);
                        // What gives others rights, or holds for the whole site, is done by whoever has shown lately that it is them.
                        $route->middleware($operation[3] ?? false ? [ConfirmedLately::class] : []);
                        $route->where([
                            'number' => '[0-9]{1,9}',
                            'person' => '[0-9A-Za-z]{26}',
                            'message' => '[0-9]{1,18}',
                            'visitor' => '[0-9]{1,18}',
                            'role' => '[0-9A-Za-z-]{1,40}',
                            'page' => '[0-9A-Z]{26}',
                            'check' => '[a-z-]{1,60}',
                        ]);
                    }
                });
            }
        });
});
