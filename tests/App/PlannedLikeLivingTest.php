<?php

declare(strict_types=1);

namespace Tests\App;

use App\Models\User;
use Heronstem\Core\Access\Role;
use Heronstem\Core\Change\ChangeKinds;
use Heronstem\Core\Change\Shape;
use Heronstem\Core\Change\StandsAlone;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Test;

/** Whatever may be changed may be prepared: a plan with one step, applied, leaves the site that the change itself leaves, and is undone as that is. */
final class PlannedLikeLivingTest extends AppTestCase
{
    private const NEW = '01JZZZZZZZZZZZZZZZZZZZZZZ1';

    /** By kind; names in braces stand for what setUp() makes. */
    private const CHANGES = [
        'add-address' => '{"page":"{live}","address":"/poster","answer":"send-on"}',
        'add-to-menu' => '{"page":"{live}","menu":"{menu}"}',
        'answer-search' => '{"words":"cars","page":"{live}"}',
        'arrange-menu' => '{"menu":"{menu}","entries":[{"kind":"heading","label":"H","entries":[{"kind":"page","page":"{live}"}]}]}',
        'bring-back' => '{"page":"{binned}","place":{"last":"{travel}"}}',
        'change-kind' => '{"page":"{draft}","to":"pointer","leadsTo":{"page":"{live}"}}',
        'change-redirect' => '{"redirect":"{redirect}","note":"N","answer":"302"}',
        'delete-for-good' => '{"page":"{binned}"}',
        'describe' => '{"page":"{live}","heading":"H","summary":"S","searchTitle":"T"}',
        'duplicate' => '{"page":"{travel}","copy":"{new}","scope":"branch"}',
        'go-live' => '{"page":"{draft}"}',
        'include-in-addresses' => '{"page":"{left out}"}',
        'leave-out-of-addresses' => '{"page":"{section}"}',
        'list-page' => '{"page":"{unlisted}"}',
        'make' => '{"page":"{new}","name":"Night boat","place":{"first":"{travel}"}}',
        'make-menu' => '{"menu":"{new}","name":"Campaign"}',
        'make-redirect' => '{"redirect":"{new}","source":"/old","leadsTo":{"page":"{live}"}}',
        'make-role' => '{"role":"{new}","name":"Pilots","like":"writer"}',
        'move' => '{"page":"{travel}","place":{"last":"{help}"}}',
        'order-patterns' => '{"redirects":["{second pattern}","{pattern}"]}',
        'pin' => '{"page":"{live}","address":"/fares-now"}',
        'place-menu' => '{"menu":"{menu}","place":"footer"}',
        'protect' => '{"page":"{live}"}',
        'publish' => '{"page":"{edited}"}',
        'put-in-bin' => '{"page":"{travel}"}',
        'remove-address' => '{"page":"{live}","address":"/known-poster"}',
        'remove-from-menu' => '{"page":"{in menu}","menu":"{menu}"}',
        'remove-menu' => '{"menu":"{menu}"}',
        'remove-redirect' => '{"redirect":"{redirect}","gone":true}',
        'remove-role' => '{"role":"guides"}',
        'rename' => '{"page":"{live}","name":"Prices"}',
        'rename-menu' => '{"menu":"{menu}","name":"Top"}',
        'rename-role' => '{"role":"writer","name":"Writers"}',
        'rename-tag' => '{"tag":"ferry","to":"boats"}',
        'replace-text' => '{"find":"Fares","with":"Prices","parts":["names"]}',
        'return-to-writer' => '{"page":"{in review}","note":"Once more"}',
        'schedule' => '{"page":"{draft}","from":"2090-01-01T06:00"}',
        'send-for-review' => '{"page":"{draft}","note":"Please"}',
        'set-access' => '{"page":"{travel}","access":{"to":"some","signedIn":true}}',
        'set-branch-search' => '{"page":"{travel}","index":false,"titlePattern":"{{name}}"}',
        'set-code' => '{"page":"{live}","styles":"p { color: red }"}',
        'set-content' => '{"page":"{live}","document":{"version":1,"type":"doc","content":[{"type":"paragraph","content":[{"type":"text","text":"Ten crowns"}]}]}}',
        'set-outside-services' => '{"checksLinks":true}',
        'set-rights' => '{"lines":[{"who":"role:reader","right":"write","says":"allow"}]}',
        'set-robots' => '{"robots":"User-agent: x"}',
        'set-roles' => '{"person":"{ruaridh}","roles":["writer"]}',
        'set-search' => '{"page":"{live}","index":false,"canonical":"none"}',
        'set-site-head' => '{"head":"<meta name=\"a\" content=\"b\">"}',
        'set-site-search' => '{"titlePattern":"{{name}}!"}',
        'set-slug' => '{"page":"{travel}","slug":"getting-there"}',
        'set-start-page' => '{"page":"{live}"}',
        'tag' => '{"page":"{live}","add":["boats"],"remove":["ferry"]}',
        'take-offline' => '{"page":"{travel}","scope":"branch"}',
        'unlist-page' => '{"page":"{live}"}',
        'unpin' => '{"page":"{pinned}"}',
        'unprotect' => '{"page":"{protected}"}',
    ];

    /** What needs more beside it, and is tried where that is: imports, starting points, links that turn, fields of layouts. */
    private const ELSEWHERE = ['bring-in', 'make-from', 'mend-links', 'set-field-defaults'];

    private User $owner;

    /** @var array<string, string> */
    private array $known;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->person('Greta', Role::OWNER);
        $travel = $this->live('Travel');
        $live = $this->live('Fares', $travel);
        $pages = ['travel' => $travel, 'live' => $live, 'help' => $this->live('Help'), 'draft' => $this->draft('Draft', $travel)];
        foreach (
            [
                'binned' => 'Binned',
                'section' => 'Section',
                'left out' => 'Left out',
                'unlisted' => 'Unlisted',
                'edited' => 'Edited',
                'in menu' => 'In a menu',
                'in review' => 'In review',
                'pinned' => 'Pinned',
                'protected' => 'Protected',
            ] as $key => $name
        ) {
            $pages[$key] = in_array($key, ['section', 'left out', 'in review'], true) ? $this->draft($name, $travel) : $this->live($name);
        }
        $menu = (string) DB::table('menus')->where('site_id', $this->site->id)->value('ulid');
        $asOwner = fn (array ...$changes) => $this->api('POST', 'batches', ['changes' => $changes, 'defaults' => true], $this->owner)->assertCreated();
        $asOwner(['kind' => 'put-in-bin', 'page' => $pages['binned']]);
        $asOwner(
            ['kind' => 'change-kind', 'page' => $pages['section'], 'to' => 'section'],
            ['kind' => 'change-kind', 'page' => $pages['left out'], 'to' => 'section'],
        );
        $asOwner(['kind' => 'leave-out-of-addresses', 'page' => $pages['left out']]);
        $asOwner(
            ['kind' => 'unlist-page', 'page' => $pages['unlisted']],
            ['kind' => 'send-for-review', 'page' => $pages['in review'], 'note' => ''],
            ['kind' => 'pin', 'page' => $pages['pinned'], 'address' => '/elsewhere'],
            ['kind' => 'protect', 'page' => $pages['protected']],
            ['kind' => 'tag', 'page' => $live, 'add' => ['ferry']],
            ['kind' => 'add-address', 'page' => $live, 'address' => '/known-poster'],
            ['kind' => 'add-to-menu', 'page' => $pages['in menu'], 'menu' => $menu],
        );
        $this->api('PATCH', "pages/{$pages['edited']}", ['summary' => 'Waits'], headers: ['If-Match' => '*'])->assertOk();
        DB::table('roles')->insert(['site_id' => $this->site->id, 'key' => 'guides', 'name' => 'Guides']);
        $this->known = [
            ...$pages,
            'menu' => $menu,
            'new' => self::NEW,
            'redirect' => $this->redirect(['source' => '/boats-today', 'leadsTo' => ['page' => $live]]),
            'pattern' => $this->redirect(['source' => '/a/:x', 'scope' => 'pattern', 'leadsTo' => ['page' => $live]]),
            'second pattern' => $this->redirect(['source' => '/b/:x', 'scope' => 'pattern', 'leadsTo' => ['page' => $live]]),
            'ruaridh' => $this->person('Ruaridh', Role::READER)->ulid,
        ];
    }

    #[Test]
    public function a_step_of_a_plan_does_what_the_change_itself_does(): void
    {
        $before = $this->snapshot();
        foreach (self::CHANGES as $kind => $body) {
            $given = ['kind' => $kind, ...json_decode($this->named($body), true, flags: JSON_THROW_ON_ERROR)];
            $changed = $this->rolledBack(function () use ($given): array {
                $this->api('POST', 'batches', ['changes' => [$given], 'defaults' => true], $this->owner)->assertCreated();

                return $this->snapshot();
            });
            self::assertEquals($before, $this->snapshot(), $kind);
            $this->rolledBack(function () use ($kind, $given, $before, $changed): void {
                $entry = $this->planned($given, $before);
                self::assertEquals($changed, $this->snapshot(), $kind);
                $this->assertInvariants();
                if ($kind !== 'delete-for-good') {
                    $undone = $this->api('POST', "history/$entry/undo", as: $this->owner)
                        ->assertCreated()
                        ->json('id');
                    self::assertEquals($before, $this->snapshot(), "$kind, undone");
                    $this->api('POST', "history/$undone/undo", as: $this->owner)->assertCreated();
                    self::assertEquals($changed, $this->snapshot(), "$kind, done again");
                }
            });
        }
    }

    /**
     * @param  array<string, mixed>  $given
     * @param  array<mixed>  $before
     * @return string the entry of the history
     */
    private function planned(array $given, array $before): string
    {
        $plan = $this->api('POST', 'plans', ['name' => 'Next year'], $this->owner)
            ->assertCreated()
            ->json('id');
        $this->api('POST', "plans/$plan/steps", ['changes' => [$given]], $this->owner)->assertCreated();
        self::assertEquals($before, $this->snapshot(), "{$given['kind']}: preparing it changes nothing.");
        $this->decideByDefault($plan);

        return $this->api('POST', "plans/$plan/switched", as: $this->owner)
            ->assertCreated()
            ->json('id');
    }

    /**
     * @template T
     *
     * @param  \Closure(): T  $work
     * @return T
     */
    private function rolledBack(\Closure $work): mixed
    {
        DB::beginTransaction();
        try {
            return $work();
        } finally {
            DB::rollBack();
            $this->site->refresh();
        }
    }

    #[Test]
    public function every_kind_of_change_is_tried_here_or_named_as_tried_elsewhere(): void
    {
        $alone = array_filter(
            ChangeKinds::shapes(),
            static fn (Shape $shape): bool => is_subclass_of((string) ChangeKinds::find($shape->kind), StandsAlone::class),
        );
        self::assertEqualsCanonicalizing(array_map(static fn (Shape $shape): string => $shape->kind, array_values(ChangeKinds::shapes())), [
            ...array_keys(self::CHANGES),
            ...self::ELSEWHERE,
            ...array_map(static fn (Shape $shape): string => $shape->kind, array_values($alone)),
        ]);
    }

    private function decideByDefault(string $plan): void
    {
        $asked =
            $this->api('GET', "plans/$plan", as: $this->owner)
                ->assertOk()
                ->json('ripple.questions') ?? [];
        $open = array_values(array_filter($asked, static fn (array $question): bool => $question['open']));
        if ($open !== []) {
            $decisions = array_map(
                static fn (array $question): array => ['kind' => $question['kind'], 'page' => $question['page'], 'answer' => $question['default']],
                $open,
            );
            $this->api('POST', "plans/$plan/decisions", ['decisions' => $decisions], $this->owner)->assertOk();
        }
    }

    private function named(string $body): string
    {
        foreach ($this->known as $name => $id) {
            $body = str_replace('"{'.$name.'}"', '"'.$id.'"', $body);
        }

        return str_replace(['{{', '}}!', '}}"'], ['{', '}!', '}"'], $body);
    }
}
