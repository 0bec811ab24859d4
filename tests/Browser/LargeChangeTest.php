<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\Attributes\Test;

/** A branch of thousands of pages gets another slug: made in the background, seen by everybody, stopped, done and undone. */
final class LargeChangeTest extends Errand
{
    private const KEY = 'large-6000';

    #[Test]
    public function a_large_move_shows_how_far_it_is_survives_reload_is_stopped_and_undone(): void
    {
        exec(PHP_BINARY.' '.escapeshellarg(dirname(__DIR__, 2).'/artisan').' heronstem:load-demo --pages=6000 2>&1', $said, $status);
        self::assertSame(0, $status, implode("\n", $said));
        $branch = $this->database()
            ->query(
                'select p.name, p.slug, p.address, p.site_id from pages p where p.site_id = (select id from sites where key = \''.
                    self::KEY.
                    "') and p.parent_id is null and p.address <> '/' order by (select count(*) from pages c where c.path <@ p.path) desc limit 1",
            )
            ->fetch(\PDO::FETCH_ASSOC);
        $chrome = $this->signIn('greta@skerrivane.example', 'wagtail-office');
        $other = $this->signIn('mairi@skerrivane.example', 'curlew-at-dawn', $this->browser());
        $other->open($this->editor('/s/'.self::KEY.'/outline'));
        $chrome->open($this->editor('/s/'.self::KEY.'/outline'));
        $chrome->click('button', $branch['name']);

        // Nothing is written as long as somebody else writes: there is time to look, and to stop it.
        $held = $this->hold((int) $branch['site_id']);
        $this->apply('far-away');
        $chrome->awaitText('Working it out', 'section[aria-label="Change in progress"]');
        $chrome->driver->navigate()->refresh();
        $chrome->awaitText("Changing the addresses of {$branch['name']}", 'section[aria-label="Change in progress"]');
        self::assertSame([], $chrome->axe());
        $other->driver->navigate()->refresh();
        $other->awaitText('Greta Lindqvane: Changing the addresses of', 'section[aria-label="Change in progress"]');
        $chrome->click('button', 'Stop');
        $chrome->awaitText('Stopping…');
        unset($held);
        $chrome->awaitText('It was stopped before it was written. Nothing was changed.');
        $chrome->awaitGone('region', 'Change in progress');
        $other->awaitGone('region', 'Change in progress');
        self::assertSame($branch['slug'], $this->slug($branch));

        $this->apply('far-away');
        $chrome->awaitText('Set the slug of');
        self::assertSame('far-away', $this->slug($branch));
        $chrome->click('button', 'Undo');
        $chrome->awaitText('Undone:');
        self::assertSame($branch['slug'], $this->slug($branch));
    }

    private function apply(string $slug): void
    {
        $this->chrome->type('textbox', 'Slug', $slug);
        $this->chrome->click('button', 'Save changes');
        $this->chrome->click('button', '*Change slug*');
    }

    /** @return \PDO a connection that holds the site as long as it is held itself */
    private function hold(int $site): \PDO
    {
        $database = $this->database();
        $database->exec('select pg_advisory_lock('.(crc32('heronstem.site') & 0x7FFFFFFF).", $site)");

        return $database;
    }

    /** @param  array{name: string, site_id: int}  $branch */
    private function slug(array $branch): string
    {
        $asked = $this->database()->prepare('select slug from pages where site_id = ? and name = ?');
        $asked->execute([$branch['site_id'], $branch['name']]);

        return (string) $asked->fetchColumn();
    }
}
