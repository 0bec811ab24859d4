<?php

declare(strict_types=1);

use App\Models\Page;
use App\Models\Site;
use App\Models\User;
use App\Store\PgArray;
use App\Store\StoredAccess;
use App\Store\StoredMarks;
use App\Store\StoredPages;
use App\Store\VisibleTree;
use Bench\Measure;
use Heronstem\Core\Access\Line;
use Heronstem\Core\Access\Person;
use Heronstem\Core\Access\Right;
use Heronstem\Core\Access\RightsOfPerson;
use Heronstem\Core\Access\Role;
use Heronstem\Core\Access\Says;
use Heronstem\Core\Access\Who;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\Move;
use Heronstem\Core\Change\SetAccess;
use Heronstem\Core\Planning\WithinRights;
use Heronstem\Core\Workspace\Place;
use Illuminate\Support\Facades\DB;

// On 100,000 pages with 2,000 lines of rights about one role: one question, reading all that is said, and looking through the ripple of a
// moved branch against planning it. Nothing is kept.
$app = require __DIR__.'/boot.inc';
require __DIR__.'/Measure.inc';
DB::disableQueryLog();
$site = Site::query()->where('key', 'large-100000')->firstOrFail();
DB::beginTransaction();
$user = User::query()->create(['name' => 'Bench', 'email' => uniqid().'@skerrivane.example', 'password' => 'none']);
App\Models\Membership::begin($site, $user, 'writer');
$role = DB::table('roles')->where('site_id', $site->id)->where('key', 'writer')->value('id');
DB::insert(
    "insert into right_lines (site_id, role_id, page_id, \"right\", says)
        select site_id, ?, id, (array['write', 'structure', 'publish', 'addresses'])[1 + id % 4], case when id % 5 = 0 then 'deny' else 'allow' end
        from pages where site_id = ? order by id % 97, id limit 2000 on conflict do nothing",
    [$role, $site->id],
);
$stored = new StoredAccess(DB::connection(), $site);
[$rights, $branches] = $stored->ofPerson($user);
printf("%-28s %d branches\n", 'something is said of', count($branches));
$deep = Page::query()->where('site_id', $site->id)->orderByRaw('nlevel(path) desc')->firstOrFail();
$around = (new StoredMarks(DB::connection(), $site))->around([$deep->ulid], array_values($branches))[$deep->ulid];
$asked = hrtime(true);
for ($n = 0; $n < 10_000; $n++) {
    $rights->may(Right::Publish, $around);
}
printf("%-28s %.4f ms\n", 'one question, warm', (hrtime(true) - $asked) / 1e6 / 10_000);
Measure::compare(
    '2,000 lines / their rows',
    static fn () => $stored->ofPerson($user),
    static fn () => DB::select('select * from right_lines where role_id = ?', [$role]),
    5,
);

$branch = Page::query()
    ->where('site_id', $site->id)
    ->whereRaw('nlevel(path) between 2 and 4')
    ->orderByRaw('abs((select count(*) from pages p where p.path <@ pages.path) - 10000)')
    ->firstOrFail();
$planner = $app->make(App\Desk\Planners::class)->for($site);
$ripple = $planner->plan(Batch::of(new Move($branch->ulid, Place::lastIn(null))));
printf("%-28s %d pages\n", 'a branch moved', count($ripple->addresses->moves));
$all = RightsOfPerson::of(
    new Person($user->ulid, 'Bench', ['manager']),
    [
        ...Role::readyMadeLines(),
        ...array_map(
            static fn (string $page): Line => new Line(Who::role('manager'), $page, Right::Write, Says::Allow),
            array_values($branches),
        ),
    ],
);
$marks = new StoredMarks(DB::connection(), $site);
Measure::compare(
    'its rights / its plan',
    static fn () => (new WithinRights($all, $marks))->guard($ripple),
    static fn () => $planner->plan(Batch::of(new Move($branch->ulid, Place::lastIn(null)))),
    3,
);
// The site has no branch of 10,000 pages: as many of its branches as that takes are hung below the first page of the top.
$closed = Page::query()->where('site_id', $site->id)->whereNull('parent_id')->orderByDesc('id')->firstOrFail();
DB::update(
    'with tops as (select t.id, t.path, sum((select count(*) from pages b where b.path <@ t.path)) over (order by t.id) as upto from pages t
            where t.site_id = ? and nlevel(t.path) = 3 and not t.path <@ ?::ltree)
        update pages p set path = ?::ltree || subpath(p.path, 2), parent_id = case when p.id = t.id then ? else p.parent_id end
        from tops t where t.upto <= 10000 and p.path <@ t.path',
    [$site->id, $closed->path, $closed->path, $closed->id],
);
DB::statement('analyze pages');
$pages = new StoredPages(DB::connection(), $site);
printf("%-28s %d pages\n", 'a branch closed', iterator_count($pages->branch($closed->ulid)));
Measure::compare(
    'closing it / its rows',
    static fn () => $planner->plan(Batch::of(new SetAccess($closed->ulid, ['to' => 'nobody'], 'UTC'))),
    static fn () => iterator_count($pages->branch($closed->ulid)),
    1,
);

// The outline as it opens and as it is filtered, for somebody who sees all but 25 branches, and 25 more inside of these.
$reader = User::query()->create(['name' => 'Reader', 'email' => uniqid().'@skerrivane.example', 'password' => 'none']);
App\Models\Membership::begin($site, $reader, 'reader');
DB::insert(
    "insert into right_lines (site_id, user_id, page_id, \"right\", says)
        select site_id, ?, id, 'see', case when nlevel(path) = 3 then 'deny' else 'allow' end
        from (select *, row_number() over (partition by nlevel(path) order by id desc) as n from pages where site_id = ? and nlevel(path) in (3, 5)) p where n <= 25",
    [$reader->id, $site->id],
);
[$sees, $of] = $stored->ofPerson($reader);
$held = new App\Desk\HeldRights($sees, $of);
$outline = $app->make(App\Desk\ReadOutline::class);
$part = $app->make(App\Desk\ReadSeenPart::class);
$asked = ['text' => 'ha', 'state' => '', 'kind' => '', 'layout' => '', 'tag' => ''];
Measure::compare(
    'outline opened / for all',
    static fn () => $part->during($held, static fn () => $outline->opened($site, [], null)),
    static fn () => DB::transaction(static fn () => $outline->opened($site, [], null)),
    5,
);
Measure::compare(
    'outline filtered / for all',
    static fn () => $part->during($held, static fn () => $outline->filtered($site, $asked)),
    static fn () => DB::transaction(static fn () => $outline->filtered($site, $asked)),
    5,
);

// What visitors see of the whole site where 2,000 pages say who sees them, half of them open to whoever looks, against the same without.
$tree = new VisibleTree(DB::connection());
$gates = array_column(DB::select('select id from pages where site_id = ? order by id % 89, id limit 2000', [$site->id]), 'id');
$set = static fn (array $open) => DB::select("select set_config('heronstem.open_gates', ?, true)", [implode(',', $open)]);
$without = static fn () => $tree->whole($site);
$time = static function () use ($without): float {
    $without();
    $begun = hrtime(true);
    for ($n = 0; $n < 5; $n++) {
        $without();
    }

    return (hrtime(true) - $begun) / 5e6;
};
$unfiltered = $time();
DB::update('update pages set access = \'{"to":"some","signedIn":true}\' where id = any(?::bigint[])', [PgArray::of($gates)]);
DB::update(
    'with gates as materialized (select id, path from pages where site_id = ? and access is not null)
        update pages p set gate_id = (select g.id from gates g where g.path @> p.path order by nlevel(g.path) desc limit 1) where p.site_id = ?',
    [$site->id, $site->id],
);
DB::statement('analyze pages');
$set($gates);
$filtered = $time();
printf("%-28s %.2f (%.0f ms against %.0f ms)\n", 'seen, with 2,000 gates', $filtered / $unfiltered, $filtered, $unfiltered);
DB::rollBack();
