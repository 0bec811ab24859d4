<?php

declare(strict_types=1);

namespace Tests\App;

use App\Http\Middleware\KnowWho;
use App\Models\User;
use Heronstem\Core\Access\Role;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Test;

/** Every operation as every kind of caller, against a table written by hand. */
final class CallersTest extends AppTestCase
{
    private const CALLERS = ['nobody', 'stranger', 'reader', 'elsewhere', 'inside', 'writer', 'manager', 'owner', 'ended token'];

    /** What those who see the site see; nothing is written. */
    private const SEEN = '401 403 200 200 200 200 200 200 401';

    /** Whoever changes anything at all; what exactly is looked at when it is done. */
    private const CHANGED = '401 403 403 200 200 200 200 200 401';

    private const OWNED = '401 403 403 403 403 403 403 200 401';

    private const MANAGED = '401 403 403 403 403 403 200 200 401';

    /**
     * Operation => status for each caller. `elsewhere` writes in another branch than that of the pages concerned,
     * `inside` in theirs, `writer` on the whole site. {live} and {draft} are pages.
     */
    private const TABLE = [
        'GET session' => '204 200 200 200 200 200 200 200 204',
        'GET outline' => self::SEEN,
        'GET branch' => self::SEEN,
        'GET filter' => self::SEEN,
        'GET filter/pages' => self::SEEN,
        'GET go-to' => self::SEEN,
        'GET explain' => self::SEEN,
        'GET addresses' => self::SEEN,
        'GET addresses/below' => self::SEEN,
        'GET addresses/near' => self::SEEN,
        'GET addresses/missed' => self::SEEN,
        'GET redirect-findings' => self::SEEN,
        'GET redirects/{redirect}' => self::SEEN,
        'GET redirects-export' => self::SEEN,
        'GET redirects-not-carried?server=nginx' => self::SEEN,
        'GET people' => self::SEEN,
        'POST people' => '401 403 403 403 403 403 403 422 401',
        'POST people/{ruaridh}/invitation' => self::OWNED,
        'PUT people/{ruaridh}/disabled' => '401 403 403 403 403 403 403 204 401',
        'DELETE people/{ruaridh}/disabled' => '401 403 403 403 403 403 403 204 401',
        'PUT roles/{role}/second-step' => '401 403 403 403 403 403 403 204 401',
        'GET security-log' => self::OWNED,
        'PUT looking-as' => '401 403 403 403 403 403 403 204 401',
        'DELETE looking-as' => '401 204 204 204 204 204 204 204 401',
        'GET visitors' => self::MANAGED,
        'POST visitors' => '401 403 403 403 403 403 201 201 401',
        'PATCH visitors/{visitor}' => self::MANAGED,
        'DELETE visitors/{visitor}' => '401 403 403 403 403 403 204 204 401',
        'POST visitors/{visitor}/invitation' => self::MANAGED,
        'POST visitors-read' => self::MANAGED,
        'POST visitors-import' => self::MANAGED,
        'GET visitors-export' => self::MANAGED,
        'PUT sign-up' => self::MANAGED,
        'GET rights' => self::OWNED,
        'GET rights/why?person={ruaridh}&right=write' => self::OWNED,
        'GET bin' => self::SEEN,
        'GET structure' => self::SEEN,
        'GET names' => self::SEEN,
        'GET settings' => self::SEEN,
        'GET menus' => self::SEEN,
        'GET menus-unreached' => self::SEEN,
        'GET menus/{menu}' => self::SEEN,
        'GET menus/{menu}/file' => self::SEEN,
        'GET pages/{draft}/menus' => self::SEEN,
        'GET history' => self::SEEN,
        'GET history/{entry}' => self::SEEN,
        'GET history/{entry}/rows/addresses' => self::SEEN,
        'GET files' => self::SEEN,
        'GET files/{file}' => self::SEEN,
        'GET pages/{draft}/code' => self::SEEN,
        'GET head' => self::SEEN,
        'POST code-read' => self::SEEN,
        'GET tags' => self::SEEN,
        'GET starting-points' => self::SEEN,
        'POST starting-points' => '401 403 403 403 403 403 422 422 401',
        'PATCH starting-points/{point}' => '401 403 403 403 403 403 422 422 401',
        'PUT starting-points/{point}/pages' => '401 403 403 403 403 403 422 422 401',
        'DELETE starting-points/{point}' => '401 403 403 403 403 403 204 204 401',
        'GET layouts' => self::SEEN,
        'GET layouts/{layout}/pages' => self::SEEN,
        'GET layouts/{layout}/export' => self::SEEN,
        'POST layouts/{layout}/import' => self::SEEN,
        'GET pieces' => self::SEEN,
        'GET pieces/{piece}' => self::SEEN,
        'GET pieces/{piece}/versions/{number}' => '401 403 404 404 404 404 404 404 401',
        'POST shown' => '401 403 422 422 422 422 422 422 401',
        'POST pieces' => '401 403 403 403 403 403 422 422 401',
        'PUT pieces/{piece}' => '401 403 403 403 403 403 422 422 401',
        'DELETE pieces/{piece}' => '401 403 403 403 403 403 204 204 401',
        'GET pages/{draft}' => self::SEEN,
        'GET pages/{draft}/search' => self::SEEN,
        'GET pages/{draft}/content' => self::SEEN,
        'PUT pages/{draft}/presence' => self::SEEN,
        'DELETE pages/{draft}/presence' => '401 403 204 204 204 204 204 204 401',
        'POST pages/{draft}/reviewed' => self::SEEN,
        'POST pages/{draft}/shown' => self::SEEN,
        'POST pages/{draft}/source' => self::SEEN,
        'POST pages/{draft}/source-read' => self::SEEN,
        'GET pages/{draft}/places' => self::SEEN,
        'GET pages/{draft}/versions' => self::SEEN,
        'GET pages/{live}/versions/1' => self::SEEN,
        'GET pages/{live}/versions/1/against/1' => self::SEEN,
        'POST addresses/tried' => self::SEEN,
        'POST redirects-match' => self::SEEN,
        'POST address' => self::SEEN,
        'POST menus/{menu}/arranged' => self::SEEN,
        'POST menus/{menu}/read' => self::SEEN,
        'GET history-thinning?days=30' => self::MANAGED,
        'POST history-thinning' => self::MANAGED,
        'PATCH names' => self::MANAGED,
        'PUT caching' => '401 403 403 403 403 403 204 204 401',
        'GET search-grid' => self::SEEN,
        'POST search-grid/measured' => self::SEEN,
        'GET patterns' => self::SEEN,
        'POST patterns/tried' => self::SEEN,
        'GET crawling' => self::SEEN,
        'GET link-graph' => self::SEEN,
        'GET searches' => self::SEEN,
        'DELETE searches' => '401 403 403 403 403 403 204 204 401',
        'GET outside-links' => self::SEEN,
        'POST outside-links/again' => '401 403 403 403 403 403 200 200 401',
        'GET engine-messages' => self::SEEN,
        'POST engine-messages/{message}/again' => '401 403 403 403 403 403 204 204 401',
        'POST crawling/tried' => self::SEEN,
        'GET links' => self::SEEN,
        'GET search-export' => self::SEEN,
        'POST search-import' => self::SEEN,
        'GET audit' => self::SEEN,
        'POST audit' => '401 403 403 403 403 403 204 204 401',
        'GET findings' => self::SEEN,
        'GET findings/thin-content' => self::SEEN,
        'GET findings-export' => self::SEEN,
        'GET dismissals' => self::SEEN,
        'POST dismissals' => '401 403 403 403 403 403 204 204 401',
        'DELETE dismissals/{draft}/thin-content' => '401 403 403 403 403 403 404 404 401',
        'GET match-lists' => self::MANAGED,
        'POST match-lists' => '401 403 403 403 403 403 201 201 401',
        'GET match-lists/{list}' => self::MANAGED,
        'GET match-lists/{list}/file' => self::MANAGED,
        'PATCH match-lists/{list}' => self::MANAGED,
        'POST match-lists/{list}/choices' => self::MANAGED,
        'POST match-lists/{list}/matched' => self::MANAGED,
        'DELETE match-lists/{list}' => '401 403 403 403 403 403 204 204 401',
        'POST redirects-import' => self::MANAGED,
        'GET redirects-import/{import}' => self::MANAGED,
        'DELETE redirects-import/{import}' => self::MANAGED,
        'POST addresses/ignored' => '401 403 403 403 403 403 204 204 401',
        'POST films' => '401 403 403 422 422 422 422 422 401',
        'POST pasted' => '401 403 403 200 200 200 200 200 401',
        'POST files' => '401 403 403 201 201 201 201 201 401',
        'POST documents' => '401 403 403 201 201 201 201 201 401',
        'PATCH files/{file}' => self::MANAGED,
        'POST files/{file}/content' => '401 403 403 403 403 403 200 200 401',
        'POST files/{file}/versions/{number}' => '401 403 403 403 403 403 422 422 401',
        'DELETE files/{file}' => self::MANAGED,
        'PATCH pages/{draft}' => '401 403 403 403 200 200 200 200 401',
        'PATCH pages/{live}' => '401 403 403 403 200 200 200 200 401',
        'PATCH pages/{live} layout' => '401 403 403 403 403 403 200 200 401',
        'PUT pages/{draft}/content' => '401 403 403 403 200 200 200 200 401',
        'PUT pages/{draft}/draft' => '401 403 403 403 204 204 204 204 401',
        'DELETE pages/{draft}/draft' => '401 403 403 403 204 204 204 204 401',
        'POST pages/{live}/publish' => '401 403 403 403 403 403 200 200 401',
        'POST pages/{draft}/publish' => '401 403 403 403 422 422 422 422 401',
        'GET plans' => self::SEEN,
        'POST plans' => '401 403 403 422 422 422 422 422 401',
        'GET plans/{plan}' => self::CHANGED,
        'PATCH plans/{plan}' => self::CHANGED,
        'POST plans/{plan}/steps' => '401 403 403 403 201 201 201 201 401',
        'DELETE plans/{plan}/steps/{step}' => self::CHANGED,
        'POST plans/{plan}/accepted' => '401 403 403 422 422 422 422 422 401',
        'POST plans/{plan}/decisions' => '401 403 403 422 422 422 422 422 401',
        'GET plans/{plan}/ripple/addresses' => self::CHANGED,
        'GET plans/{plan}/findings' => '401 403 403 403 200 200 200 200 401',
        'GET plans/{plan}/against/{plan}' => self::CHANGED,
        'POST plans/{plan}/link' => '401 403 403 201 201 201 201 201 401',
        'DELETE plans/{plan}/link' => '401 403 403 204 204 204 204 204 401',
        'POST plans/{plan}/switched' => '401 403 403 403 201 201 201 201 401',
        'DELETE plans/{plan}' => '401 403 403 204 204 204 204 204 401',
        'POST pages/{live}/to-site-ripple' => '401 403 403 422 422 422 422 422 401',
        'POST pages/{live}/to-site' => '401 403 403 422 422 422 422 422 401',
        'GET under-way' => self::SEEN,
        'GET under-way/{change}' => '401 403 404 404 404 404 404 404 401',
        'DELETE under-way/{change}' => '401 403 403 404 404 404 404 404 401',
        'GET failed-jobs' => self::OWNED,
        'POST failed-jobs/{job}/again' => '401 403 403 403 403 403 403 404 401',
        'DELETE failed-jobs/{job}' => '401 403 403 403 403 403 403 404 401',
        'GET removal' => '401 403 403 403 403 403 403 200 401',
        'DELETE sites/{site}' => '401 403 403 403 403 403 403 422 401',
        'GET removed-sites' => '401 200 200 200 200 200 200 200 401',
        'POST removed-sites/{key}' => '401 404 404 404 404 404 404 404 401',
        'GET export' => self::SEEN,
        'GET bring-in-template' => self::SEEN,
        'GET bring-in' => self::CHANGED,
        'POST bring-in' => '401 403 403 201 201 201 201 201 401',
        'GET bring-in/{source}' => self::CHANGED,
        'PATCH bring-in/{source}' => self::CHANGED,
        'GET bring-in/{source}/pages' => self::CHANGED,
        'POST bring-in/{source}/applied' => '401 403 403 202 202 202 202 202 401',
        'DELETE bring-in/{source}' => '401 403 403 204 204 204 204 204 401',
        'POST found' => '401 403 403 422 422 422 422 422 401',
        'POST ripple' => '401 403 403 403 200 200 200 200 401',
        'POST ripple-findings' => '401 403 403 403 200 200 200 200 401',
        'POST ripple/addresses' => '401 403 403 403 200 200 200 200 401',
        'POST batches' => '401 403 403 403 201 201 201 201 401',
        'POST history/{entry}/ripple' => '401 403 403 403 403 403 200 200 401',
        'POST history/{entry}/undo' => '401 403 403 403 403 403 201 201 401',
        'POST undo/ripple' => '401 403 403 403 403 403 200 200 401',
        'POST undo' => '401 403 403 403 403 403 201 201 401',
        // Nobody has to be signed in, and nothing is said of who has an account.
        'POST password-forgotten' => '422 422 422 422 422 422 422 422 422',
        'GET account-links/{token}' => '422 422 422 422 422 422 422 422 422',
        'POST account-links/{token}/confirmed' => '422 422 422 422 422 422 422 422 422',
        'POST account-links/{token}' => '422 422 422 422 422 422 422 422 422',
        'DELETE session' => '401 204 204 204 204 204 204 204 401',
        // Their own account is everybody's to look after.
        'POST session/confirmed' => '401 422 422 422 422 422 422 422 401',
        'GET account' => '401 200 200 200 200 200 200 200 401',
        'POST sites' => '401 403 403 403 403 403 403 201 401',
        'PATCH account' => '401 200 200 200 200 200 200 200 401',
        'DELETE account/sessions' => '401 204 204 204 204 204 204 204 401',
        'DELETE account/sessions/{session}' => '401 404 404 404 404 404 404 404 401',
        'POST account/tokens' => '401 201 201 201 201 201 201 201 401',
        'DELETE account/tokens/{number}' => '401 404 404 404 404 404 404 404 401',
        'POST account/second-step' => '401 200 200 200 200 200 200 200 401',
        'PUT account/second-step' => '401 422 422 422 422 422 422 422 401',
        'DELETE account/second-step' => '401 204 204 204 204 204 204 204 401',
        'POST account/recovery-codes' => '401 200 200 200 200 200 200 200 401',
    ];

    /** A change of one kind (JSON after its name) => status for elsewhere, inside, writer, manager, owner. */
    private const BATCHES = [
        'make {"page":"{new}","name":"New","place":{"last":"{travel}"}}' => '403 201 201 201 201',
        'make {"page":"{new}","name":"New","place":{"last":null}}' => '403 403 201 201 201',
        'rename {"page":"{draft}","name":"Other"}' => '403 201 201 201 201',
        'rename {"page":"{live}","name":"Other"}' => '403 403 403 201 201',
        'set-slug {"page":"{draft}","slug":"other"}' => '403 201 201 201 201',
        'set-slug {"page":"{live}","slug":"other"}' => '403 403 403 201 201',
        'move {"page":"{draft}","place":{"last":"{inside}"}}' => '403 201 201 201 201',
        'move {"page":"{draft}","place":{"last":"{help}"}}' => '403 403 201 201 201',
        'move {"page":"{inside}","place":{"last":"{help}"}}' => '403 403 403 201 201',
        'move {"page":"{live}","place":{"first":"{travel}"}}' => '403 403 403 201 201',
        'duplicate {"page":"{live}","copy":"{new}"}' => '403 201 201 201 201',
        'duplicate {"pages":["{draft}","{travel}"],"copy":"{new}"}' => '403 403 201 201 201',
        'duplicate {"page":"{help}","copy":"{new}","place":{"last":"{travel}"}}' => '403 201 201 201 201',
        'replace-text {"find":".+","with":"Other","way":"pattern","parts":["names"],"in":["{draft}"]}' => '403 201 201 201 201',
        'replace-text {"find":".+","with":"Other","way":"pattern","parts":["names"],"in":["{live}"]}' => '403 403 403 201 201',
        'describe {"page":"{draft}","summary":"S"}' => '403 201 201 201 201',
        'describe {"page":"{live}","summary":"S"}' => '403 403 403 201 201',
        'set-search {"page":"{draft}","index":false}' => '403 403 403 201 201',
        'set-search {"page":"{live}","index":false}' => '403 403 403 201 201',
        'set-branch-search {"page":"{draft}","index":false}' => '403 403 403 201 201',
        'set-site-search {"titlePattern":"{name}!"}' => '403 403 403 201 201',
        'set-robots {"robots":"User-agent: x"}' => '403 403 403 201 201',
        'set-address-rules {"trailingSlash":"always"}' => '403 403 403 201 201',
        'mend-links {}' => '422 422 422 422 422',
        'answer-search {"words":"cars","page":"{live}"}' => '403 403 403 201 201',
        'set-outside-services {"checksLinks":true}' => '403 403 403 201 201',
        'set-search {"page":"{live}","siteSearchDescription":"S"}' => '403 403 403 201 201',
        'go-live {"page":"{draft}"}' => '403 403 403 201 201',
        'publish {"page":"{live}"}' => '403 403 403 201 201',
        'take-offline {"page":"{live}"}' => '403 403 403 201 201',
        'schedule {"page":"{draft}","from":"2090-01-01T06:00"}' => '403 403 403 201 201',
        'send-for-review {"page":"{draft}","note":""}' => '403 201 201 201 201',
        'list-page {"page":"{unlisted}"}' => '403 201 201 201 201',
        'pin {"page":"{draft}","address":"/pinned"}' => '403 403 403 201 201',
        'change-kind {"page":"{draft}","to":"section"}' => '403 201 201 201 201',
        'leave-out-of-addresses {"page":"{section}"}' => '403 201 201 201 201',
        'set-access {"page":"{draft}","access":{"to":"nobody"}}' => '403 403 403 201 201',
        'set-access {"page":"{live}","access":{"to":"some","signedIn":true}}' => '403 403 403 201 201',
        'set-code {"page":"{draft}","styles":"p {}"}' => '403 403 403 403 201',
        'set-site-head {"head":"<meta name=\\"a\\" content=\\"b\\">"}' => '403 403 403 403 201',
        'make-role {"role":"{new}","name":"R"}' => '403 403 403 403 201',
        'rename-role {"role":"writer","name":"R"}' => '403 403 403 403 201',
        'remove-role {"role":"guides"}' => '403 403 403 403 201',
        'set-roles {"person":"{ruaridh}","roles":["writer"]}' => '403 403 403 403 201',
        'set-rights {"lines":[{"who":"role:reader","right":"write","says":"allow"}]}' => '403 403 403 403 201',
        'protect {"page":"{draft}"}' => '422 422 422 422 201',
        'put-in-bin {"page":"{draft}"}' => '403 201 201 201 201',
        'put-in-bin {"page":"{inside}"}' => '403 403 403 201 201',
        'bring-back {"page":"{binned}"}' => '403 201 201 201 201',
        'delete-for-good {"page":"{binned}"}' => '403 403 403 201 201',
        'set-start-page {"page":"{live}"}' => '403 403 403 201 201',
        'add-address {"page":"{draft}","address":"/poster"}' => '403 403 403 201 201',
        'remove-address {"page":"{live}","address":"/known-poster"}' => '403 403 403 201 201',
        'add-to-menu {"page":"{live}","menu":"{menu}"}' => '403 403 403 201 201',
        'remove-from-menu {"page":"{live}","menu":"{menu}"}' => '403 403 403 201 201',
        'make-menu {"menu":"{new}","name":"M"}' => '403 403 403 201 201',
        'rename-menu {"menu":"{menu}","name":"M"}' => '403 403 403 201 201',
        'place-menu {"menu":"{menu}","place":"footer"}' => '403 403 403 201 201',
        'remove-menu {"menu":"{menu}"}' => '403 403 403 201 201',
        'arrange-menu {"menu":"{menu}","entries":[]}' => '403 403 403 201 201',
        'make-redirect {"redirect":"{new}","source":"/new","leadsTo":{"page":"{live}"}}' => '403 403 403 201 201',
        'change-redirect {"redirect":"{redirect}","note":"N"}' => '403 403 403 201 201',
        'remove-redirect {"redirect":"{redirect}"}' => '403 403 403 201 201',
        'set-slug {"page":"{top}","slug":"boats-today"} give-way /boats-today' => '403 403 403 201 201',
        'set-slug {"page":"{draft}","slug":"was-there"} give-way /travel/was-there' => '403 403 403 201 201',
    ];

    /** @var array<string, string> */
    private array $known;

    /** @var array<string, User|null> */
    private array $callers;

    protected function setUp(): void
    {
        parent::setUp();
        $travel = $this->live('Travel');
        $help = $this->live('Help');
        $draft = $this->draft('Draft', $travel);
        $live = $this->live('Times', $travel);
        $inside = $this->draft('Holds a live page', $travel);
        $this->live('Known', $inside);
        $moved = $this->live('Was there', $travel);
        $binned = $this->draft('Binned', $travel);
        $section = $this->draft('Section', $travel);
        $unlisted = $this->draft('Unlisted', $travel);
        $this->change(['kind' => 'set-slug', 'page' => $moved, 'slug' => 'elsewhere']);
        $this->change(['kind' => 'put-in-bin', 'page' => $binned]);
        $this->change(['kind' => 'change-kind', 'page' => $section, 'to' => 'section']);
        $this->change(['kind' => 'unlist-page', 'page' => $unlisted]);
        $this->change(['kind' => 'add-address', 'page' => $live, 'address' => '/known-poster']);
        $entry = $this->change(['kind' => 'rename', 'page' => $live, 'name' => 'Timetables'])->ulid;
        $words = ['type' => 'doc', 'content' => []];
        $this->api('PUT', "pages/$live/content", ['document' => $words], headers: ['If-Match' => '0'])->assertOk();
        $redirect = $this->redirect(['source' => '/boats-today', 'leadsTo' => ['page' => $live]]);
        $this->search();
        $this->known = [
            'travel' => $travel,
            'message' => (string) DB::table('engine_messages')->value('id'),
            'help' => $help,
            'draft' => $draft,
            'live' => $live,
            'inside' => $inside,
            'binned' => $binned,
            'section' => $section,
            'unlisted' => $unlisted,
            'entry' => $entry,
            'redirect' => $redirect,
            'number' => '7',
            'token' => str_repeat('0', 48),
            'session' => str_repeat('0', 32),
            'role' => Role::WRITER,
            'visitor' => (string) \App\Models\Visitor::query()->create([
                'site_id' => $this->site->id,
                'name' => 'Eilidh',
                'email' => 'eilidh@skerrivane.example',
                'password' => 'x',
                'roles' => [],
            ])->id,
            'layout' => 'crossing',
            'piece' => \App\Models\SharedPiece::query()->create([
                'site_id' => $this->site->id,
                'name' => 'Hours',
                'document' => ['type' => 'doc', 'content' => []],
            ])->ulid,
            'point' => \App\Models\StartingPoint::query()->create(['site_id' => $this->site->id, 'name' => 'Like an island'])->ulid,
            'file' => \App\Models\File::query()->create([
                'ulid' => (string) Str::ulid(),
                'site_id' => $this->site->id,
                'name' => 'a.txt',
                'mime' => 'text/plain',
                'bytes' => 1,
                'path' => 'files/none',
            ])->ulid,
            'menu' => (string) DB::table('menus')->where('site_id', $this->site->id)->value('ulid'),
            'top' => $this->draft('Top'),
            'job' => '0190a0a0-0000-4000-8000-000000000000',
            'change' => '01HZZZZZZZZZZZZZZZZZZZZZZZ',
            'list' => $this->oldList($this->site),
            'import' => \App\Models\RedirectImport::query()->create(['site_id' => $this->site->id, 'total' => 1, 'path' => 'imports/x'])->ulid,
            'source' => $this->app
                ->make(\App\Desk\BringIn\GiveSource::class)
                ->give($this->site->refresh(), $this->manager, 'list', "/brought\n", 'text')->ulid,
            ...$this->plan($draft),
        ];
        $gone = $this->person('Gone', Role::MANAGER);
        DB::table('roles')->insert(['site_id' => $this->site->id, 'key' => 'guides', 'name' => 'Guides']);
        $this->callers = [
            'nobody' => null,
            'stranger' => User::query()
                ->create(['name' => 'Nobody', 'email' => 'nobody@skerrivane.example', 'password' => 'x'])
                ->refresh(),
            'reader' => $this->person('Ruaridh', Role::READER),
            'elsewhere' => $this->person('Isla', Role::WRITER, $help),
            'inside' => $this->person('Ina', Role::WRITER, $travel),
            'writer' => $this->person('Tam', Role::WRITER),
            'manager' => $this->manager,
            'owner' => $this->person('Greta', Role::OWNER),
            'ended token' => $gone,
        ];
        $this->known += ['site' => 'ferries', 'key' => 'ferries'];
        $this->known['ruaridh'] = (string) $this->callers['reader']->ulid;
    }

    /** What was searched, linked and told, so that there is something to ask about. */
    private function search(): void
    {
        DB::table('searches')->insert([
            'site_id' => $this->site->id,
            'words' => 'cars',
            'outcome' => 'nothing',
            'times' => 1,
            'first_at' => now(),
            'last_at' => now(),
        ]);
        DB::table('engine_messages')->insert(['site_id' => $this->site->id, 'addresses' => '["/"]', 'state' => 'refused']);
    }

    #[Test]
    public function every_operation_answers_every_caller_as_the_table_says(): void
    {
        $said = [];
        foreach (self::TABLE as $operation => $expected) {
            foreach (array_combine(self::CALLERS, explode(' ', $expected)) as $caller => $status) {
                $said["$operation as $caller"] = [(int) $status, $this->answered($operation, $caller)];
            }
        }
        self::assertSame([], array_filter($said, static fn (array $both): bool => $both[0] !== $both[1]), 'Expected, and answered.');
        $this->assertTableIsComplete();
    }

    #[Test]
    public function every_change_is_judged_by_what_it_does(): void
    {
        $said = [];
        foreach (self::BATCHES as $change => $expected) {
            foreach (array_combine(['elsewhere', 'inside', 'writer', 'manager', 'owner'], explode(' ', $expected)) as $caller => $status) {
                $answer = $this->unwritten(fn (): int => $this->api('POST', 'batches', $this->batch($change), $this->callers[$caller])->status());
                $said["$change as $caller"] = [(int) $status, $answer];
            }
        }
        self::assertSame([], array_filter($said, static fn (array $both): bool => $both[0] !== $both[1]), 'Expected, and answered.');
    }

    #[Test]
    public function undoing_is_judged_by_what_it_does_as_well(): void
    {
        $inside = $this->callers['inside'];
        self::assertNotNull($inside);
        $own = (string) $this->api('POST', 'batches', $this->batch('rename {"page":"{draft}","name":"Mine"}'), $inside)->assertCreated()->json('id');
        self::assertSame(201, $this->unwritten(fn (): int => $this->api('POST', "history/$own/undo", as: $inside)->status()));
        $this->change(['kind' => 'go-live', 'page' => $this->known['draft']]);
        $this->api('POST', "history/$own/undo", as: $inside)->assertForbidden();
        $this->api('POST', 'undo', ['entries' => [$own]], $inside)->assertForbidden();

        $entry = $this->change(['kind' => 'rename', 'page' => $this->known['live'], 'name' => 'Again'])->ulid;
        $this->carryOut(new \Heronstem\Core\Change\SetRoles($this->manager->ulid, [Role::WRITER]));
        $this->api('POST', "history/$entry/undo")->assertForbidden();
    }

    /** @return array<string, mixed> */
    private function batch(string $change): array
    {
        preg_match('/^(\S+) (\{.*\})(?: give-way (\S+))?$/', $change, $parts);
        $fields = json_decode($this->named($parts[2]), true, flags: JSON_THROW_ON_ERROR);

        return [
            'changes' => [['kind' => $parts[1]] + $fields],
            'defaults' => true,
            'decisions' => isset($parts[3]) ? [['kind' => 'give-way', 'address' => $parts[3]]] : [],
        ];
    }

    private function named(string $text): string
    {
        return str_replace(
            array_map(static fn (string $name): string => '{'.$name.'}', ['new', ...array_keys($this->known)]),
            [(string) Str::ulid(), ...array_values($this->known)],
            $text,
        );
    }

    private function answered(string $operation, string $caller): int
    {
        [$method, $path, $aspect] = explode(' ', "$operation ");
        $path =
            preg_match('#^(session($|/)|password-forgotten|account|sites$|sites/\{site\}$|removed-sites)#', $path) === 1
                ? 'http://editor.test/api/v1/'.$this->named($path)
                : 'http://editor.test/api/v1/sites/ferries/'.$this->named($path);
        $files = array_filter([
            'picture' => str_ends_with($path, '/files') && $method === 'POST' ? UploadedFile::fake()->image('boat.png', 20, 10) : null,
            'file' => preg_match('#/(documents|files/[^/]+/content)$#', $path) === 1 ? UploadedFile::fake()->createWithContent('a.txt', 'words') : null,
        ]);

        return $this->unwritten(function () use ($method, $path, $aspect, $caller, $files, $operation): int {
            $headers =
                ['HTTP_ACCEPT' => 'application/json', 'HTTP_IF_MATCH' => str_contains($path, '/content') ? '0' : '*'] +
                ($files === [] ? ['CONTENT_TYPE' => 'application/json'] : []);
            $this->app['auth']->forgetGuards();
            $user = $this->callers[$caller];
            if ($caller === 'ended token') {
                $token = $user?->createToken('ended');
                $headers['HTTP_AUTHORIZATION'] = "Bearer {$token?->plainTextToken}";
                $token?->accessToken->delete();
            } elseif ($user !== null) {
                $this->withSession([KnowWho::SIGNED_IN => now()->getTimestamp()])->actingAs($user);
            }
            $body = $files === [] && $method !== 'GET' ? json_encode((object) $this->body($operation, $aspect), JSON_THROW_ON_ERROR) : null;

            return $this->call($method, $path, files: $files, server: $headers, content: $body)->getStatusCode();
        });
    }

    /** @return array<string, mixed> */
    private function body(string $operation, string $aspect): array
    {
        $rename = $this->batch('rename {"page":"{draft}","name":"Other"}');
        $words = ['type' => 'doc', 'content' => []];

        return match (true) {
            $aspect !== '' => [$aspect => $aspect === 'layout' ? 'section' : false],
            str_starts_with($operation, 'PATCH pages') => ['summary' => 'S'],
            str_contains($operation, 'batches'), str_starts_with($operation, 'POST ripple'), str_ends_with($operation, '/steps') => $rename,
            preg_match('#(?:bring-in/|plans/)\{\w+\}(?:/switched|/applied)?$#D', $operation) === 1 => [],
            str_ends_with($operation, '/address') || $operation === 'POST address' => $rename['changes'][0],
            str_ends_with($operation, 'undo'), str_ends_with($operation, 'undo/ripple') => str_contains($operation, 'history')
                ? []
                : ['entries' => [$this->known['entry']]],
            str_ends_with($operation, '/content'), str_ends_with($operation, '/reviewed') => ['document' => $words],
            str_ends_with($operation, '/shown') => ['blocks' => []],
            str_ends_with($operation, '/source') => ['document' => $words, 'as' => 'html'],
            str_ends_with($operation, '/source-read') => ['text' => 'x', 'as' => 'markdown'],
            str_ends_with($operation, '/draft') => ['document' => $words, 'basedOn' => 0],
            str_contains($operation, 'arranged') => ['entries' => []],
            str_contains($operation, 'history-thinning') => ['days' => 30],
            $operation === 'DELETE sites/{site}' => ['name' => 'Something else'],
            str_contains($operation, '/to-site') => ['to' => 'none', 'import' => (string) Str::ulid()],
            $operation === 'PATCH names' => ['tagline' => 'T'],
            $operation === 'PUT caching' => ['caching' => 'standard'],
            $operation === 'POST search-grid/measured' => ['rows' => []],
            $operation === 'POST patterns/tried' => ['titlePattern' => '{name}'],
            $operation === 'DELETE searches' => ['words' => 'cars'],
            $operation === 'POST outside-links/again' => ['url' => null],
            $operation === 'POST crawling/tried' => ['lines' => '', 'agent' => '*', 'address' => '/'],
            $operation === 'POST dismissals' => ['page' => $this->known['draft'], 'check' => 'thin-content', 'reason' => 'R'],
            $operation === 'POST match-lists' => ['name' => 'Another', 'text' => "/x\n/y"],
            $operation === 'PATCH match-lists/{list}' => ['threshold' => 80],
            str_ends_with($operation, '/choices') => ['rows' => [['old' => '/x', 'choice' => 'gone', 'revision' => 0]]],
            $operation === 'POST redirects-import' => ['text' => "source,target\n/x,/travel"],
            $operation === 'PUT roles/{role}/second-step' => ['isNeeded' => true],
            $operation === 'POST visitors' => ['name' => 'Finlay', 'email' => 'finlay@skerrivane.example', 'roles' => ['crew']],
            $operation === 'PATCH visitors/{visitor}' => ['roles' => ['crew']],
            str_starts_with($operation, 'POST visitors-') => ['file' => "mail,name\nfinlay@skerrivane.example,Finlay"],
            $operation === 'PUT looking-as' => ['who' => 'role:reader'],
            $operation === 'POST sites' => ['name' => 'Boatyard', 'origin' => 'https://boatyard.test'],
            $operation === 'PUT sign-up' => ['open' => 'everyone'],
            $operation === 'PATCH account' => ['name' => 'Somebody'],
            $operation === 'POST account/tokens' => ['name' => 'for a test', 'days' => 1],
            $operation === 'POST pasted' => ['html' => '<p>x</p>'],
            $operation === 'POST addresses/ignored' => ['address' => $this->missed()],
            default => ['text' => '/travel'],
        };
    }

    /** @return array{plan: string, step: string} */
    private function plan(string $draft): array
    {
        $plan = $this->api('POST', 'plans', ['name' => 'Next year'])->json('id');

        return [
            'plan' => $plan,
            'step' => $this->api('POST', "plans/$plan/steps", ['changes' => [['kind' => 'rename', 'page' => $draft, 'name' => 'Other']]])->json('id'),
        ];
    }

    private function missed(): string
    {
        DB::insert(
            "insert into missed_addresses (site_id, key, address, noise, first_at, last_at) values (?, '/missed', '/missed', false, now(), now())",
            [$this->site->id],
        );

        return '/missed';
    }

    private function unwritten(\Closure $do): int
    {
        DB::beginTransaction();
        try {
            return $do();
        } finally {
            DB::rollBack();
        }
    }

    private function assertTableIsComplete(): void
    {
        $described = [];
        foreach (json_decode((string) file_get_contents(base_path('docs/api/openapi.json')), true)['paths'] as $path => $operations) {
            foreach (array_keys($operations) as $method) {
                $described[] =
                    strtoupper($method).
                    ' '.
                    preg_replace(['#^/sites/\{site\}/#', '#^/#', '#\{\w+\}#', '#versions/\*(/against/\*)?#'], ['', '', '*', 'versions/*$1'], $path);
            }
        }
        $known = array_map(
            static fn (string $operation): string => (string) preg_replace(
                ['#\?.*| \w+$#', '#\{\w+\}#', '#(?<=findings/|\*/)thin-content#', '#versions/1#', '#against/1#', '#(?<=ripple/|rows/)addresses#'],
                ['', '*', '*', 'versions/*', 'against/*', '*'],
                str_ends_with($operation, ' layout') ? (string) preg_replace('/ \w+$/', '', $operation) : $operation.'?',
            ),
            array_keys(self::TABLE),
        );
        self::assertSame([], array_values(array_diff($described, $known, ['POST session'])), 'These operations stand in no table.');
    }
}
