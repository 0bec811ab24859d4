<?php

declare(strict_types=1);

namespace Tests\App;

use PHPUnit\Framework\Attributes\Test;

/** The guide is read where its tasks are done: each page, its pictures, and the way from one to another. */
final class GuideTest extends AppTestCase
{
    #[Test]
    public function every_task_has_a_page_whose_links_and_pictures_are_there(): void
    {
        $files = array_map(static fn (string $file): string => basename($file, '.md'), glob(base_path('docs/guide/tasks/*.md')) ?: []);
        self::assertGreaterThanOrEqual(14, count($files));
        foreach ($files as $task) {
            $html = (string) $this->get("/guide/$task")
                ->assertOk()
                ->getContent();
            self::assertStringContainsString('aria-current="page"', $html);
            preg_match_all('#(?:href|src)="(/guide/[^"]+)"#', $html, $found);
            foreach (array_unique($found[1]) as $address) {
                $this->get($address)->assertOk();
            }
        }
    }

    #[Test]
    public function what_it_does_not_have_is_not_found(): void
    {
        $this->get('/guide/nothing')->assertNotFound();
        $this->get('/guide/pictures/nothing.png')->assertNotFound();
    }
}
