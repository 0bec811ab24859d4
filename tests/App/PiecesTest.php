<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\Audit\AuditSite;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Test;

final class PiecesTest extends AppTestCase
{
    #[Test]
    public function a_piece_is_written_once_shown_on_many_pages_and_changed_on_all_of_them(): void
    {
        $travel = $this->live('Travel');
        $piece = $this->piece('Opening hours', 'From eight, see here.', $travel);
        foreach (['Help', 'Contact'] as $name) {
            $page = $this->live($name);
            $this->saveContent($page, [['type' => 'shared', 'attrs' => ['piece' => $piece]]]);
            $this->change(['kind' => 'publish', 'page' => $page]);
        }
        self::assertStringContainsString(
            '<p>From eight, <a href="/travel">see here.</a></p>',
            (string) $this->get('http://ferries.test/help')->getContent(),
        );
        self::assertSame(2, DB::table('links')->count(), 'Links in the piece are links of the pages.');
        $this->api('GET', "pieces/$piece")
            ->assertJsonPath('uses', 2)
            ->assertJsonPath('usedIn.0.name', 'Contact');

        $this->save($piece, ['name' => 'Opening hours', 'document' => self::document('From nine, gannetwise.')], '"1"')
            ->assertOk()
            ->assertJsonPath('number', 2);
        foreach (['help', 'contact'] as $path) {
            self::assertStringContainsString('<p>From nine, gannetwise.</p>', (string) $this->get("http://ferries.test/$path")->getContent());
        }
        self::assertSame(0, DB::table('links')->count());
        $this->app->make(AuditSite::class)->run($this->site->refresh());
        self::assertStringContainsString(
            'Contact',
            (string) $this->call('GET', 'http://ferries.test/_search?q=gannetwise', server: ['REQUEST_URI' => '/_search?q=gannetwise'])->getContent(),
        );
        $this->api('GET', 'history')
            ->assertJsonPath('0.sentence', 'Changed the shared piece *Opening hours*, shown on 2 pages')
            ->assertJsonPath('0.piece', $piece);
        $this->api('GET', "pieces/$piece/versions/1")
            ->assertOk()
            ->assertJsonPath('content.0.content.0.text', 'From eight, ');
        $this->api('GET', "pieces/$piece/versions/7")->assertNotFound();
    }

    #[Test]
    public function nobody_saves_over_somebody_else_and_what_does_not_fit_names_its_field(): void
    {
        $piece = $this->piece('Hours', 'Eight.');
        $body = ['name' => 'Hours', 'document' => self::document('Nine.')];
        $this->save($piece, $body, '"1"')->assertOk();
        $this->save($piece, $body, '"1"')->assertStatus(412);
        $this->api('PUT', "pieces/$piece", $body)->assertStatus(428);
        $this->save($piece, ['name' => ' '] + $body, '*')
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'name');
        $this->piece('Prices', 'Two.');
        $this->save($piece, ['name' => 'prices'] + $body, '*')
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'name');
        $inside = ['type' => 'doc', 'content' => [['type' => 'shared', 'attrs' => ['piece' => $piece]]]];
        $this->save($piece, ['name' => 'Hours', 'document' => $inside], '*')
            ->assertStatus(422)
            ->assertJsonPath('errors.0.field', 'document');
    }

    #[Test]
    public function one_that_pages_show_is_not_deleted_and_one_that_is_gone_shows_nothing(): void
    {
        $piece = $this->piece('Hours', 'Eight.');
        $page = $this->draft('Help');
        $this->saveContent($page, [['type' => 'shared', 'attrs' => ['piece' => $piece]]]);
        $this->api('DELETE', "pieces/$piece")
            ->assertStatus(422)
            ->assertJsonPath('errors.0.reason', 'One page shows it. Take it out there first.');
        $this->saveContent($page, []);
        $this->api('DELETE', "pieces/$piece")->assertNoContent();
        $this->api('POST', 'shown', ['blocks' => [['type' => 'shared', 'attrs' => ['piece' => $piece]]]])
            ->assertOk()
            ->assertJsonPath('0.html', '');
        $this->api('GET', "pieces/$piece")->assertNotFound();
    }

    private function piece(string $name, string $text, ?string $to = null): string
    {
        return (string) $this->api('POST', 'pieces', ['name' => $name, 'document' => self::document($text, $to)])
            ->assertCreated()
            ->json('id');
    }

    /** @param  array<string, mixed>  $body */
    private function save(string $piece, array $body, string $match): TestResponse
    {
        return $this->api('PUT', "pieces/$piece", $body, headers: ['If-Match' => $match]);
    }

    /** @return array<string, mixed> what stands behind the comma leads to the page, where there is one */
    private static function document(string $text, ?string $to = null): array
    {
        [$plain, $linked] =
            $to === null ? [$text, ''] : [substr($text, 0, (int) strpos($text, ', ') + 2), substr($text, (int) strpos($text, ', ') + 2)];

        return [
            'type' => 'doc',
            'content' => [
                [
                    'type' => 'paragraph',
                    'content' => [
                        ['type' => 'text', 'text' => $plain],
                        ...$linked === '' ? [] : [['type' => 'text', 'text' => $linked, 'marks' => [['type' => 'link', 'attrs' => ['page' => $to]]]]],
                    ],
                ],
            ],
        ];
    }
}
