<?php

declare(strict_types=1);

namespace Tests\Core\Content;

use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\HtmlRenderer;
use Heronstem\Core\Content\InvalidDocument;
use Heronstem\Core\Content\PlainText;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class SharedPieceTest extends TestCase
{
    private const PIECE = '01J00000000000000000000009';

    #[Test]
    public function a_piece_is_put_in_where_it_stands_however_deep(): void
    {
        $shared = ['type' => 'shared', 'attrs' => ['piece' => self::PIECE]];
        $page = self::document(
            ['type' => 'shared', 'attrs' => ['piece' => self::PIECE, 'anchor' => 'hours']],
            [
                'type' => 'columns',
                'content' => [['type' => 'column', 'content' => [$shared]], ['type' => 'column', 'content' => [self::words('Beside.')]]],
            ],
        );
        self::assertSame([self::PIECE], $page->sharedPieces());
        $filled = $page->withPieces([self::PIECE => self::document(self::words('From eight.', ['page' => StillSources::PAGE]))]);
        self::assertSame("From eight.\nFrom eight.\nBeside.", PlainText::of($filled));
        self::assertSame([StillSources::PAGE], $filled->linkedPages());
        self::assertSame([], $page->linkedPages());
        self::assertStringContainsString('<div id="hours"><p><a href="/travel">From eight.</a></p></div>', self::html($filled));
    }

    #[Test]
    public function a_name_that_links_lead_to_stands_once_however_often_a_piece_is_shown(): void
    {
        $shared = ['type' => 'shared', 'attrs' => ['piece' => self::PIECE]];
        $piece = self::document(['attrs' => ['anchor' => 'dogs']] + self::words('Dogs.'), ['attrs' => ['anchor' => 'hours']] + self::words('Eight.'));
        $page = self::document($shared, ['attrs' => ['anchor' => 'hours']] + self::words('Nine.'), $shared);
        self::assertSame(
            '<div><p id="dogs">Dogs.</p><p>Eight.</p></div><p id="hours">Nine.</p><div><p>Dogs.</p><p>Eight.</p></div>',
            self::html($page->withPieces([self::PIECE => $piece])),
        );
    }

    #[Test]
    public function one_that_is_gone_hidden_or_empty_shows_nothing(): void
    {
        $shared = self::document(['type' => 'shared', 'attrs' => ['piece' => self::PIECE]]);
        $words = self::document(self::words('Eight.'));
        self::assertSame('', self::html($shared));
        self::assertSame('', self::html($shared->withPieces([])));
        self::assertSame('', self::html($shared->withPieces([self::PIECE => Document::blank()])));
        $hidden = self::document(['type' => 'shared', 'attrs' => ['piece' => self::PIECE, 'hidden' => true]]);
        self::assertSame('', self::html($hidden->withPieces([self::PIECE => $words])));
        self::assertSame([self::PIECE], $hidden->sharedPieces(), 'It may be shown again.');
        self::assertFalse($shared->isBlank());
    }

    #[Test]
    public function only_its_identity_is_kept_in_a_page(): void
    {
        $read = self::document(['type' => 'shared', 'attrs' => ['piece' => self::PIECE], 'content' => [self::words('Forged.')]]);
        self::assertSame([['type' => 'shared', 'attrs' => ['piece' => self::PIECE]]], $read->blocks);
        $this->expectException(InvalidDocument::class);
        self::document(['type' => 'shared', 'attrs' => ['piece' => 'hours']]);
    }

    /** @param  array<string, mixed>  ...$blocks */
    private static function document(array ...$blocks): Document
    {
        return Document::read(['type' => 'doc', 'content' => array_values($blocks)]);
    }

    /**
     * @param  array<string, string>|null  $link
     * @return array<string, mixed>
     */
    private static function words(string $text, ?array $link = null): array
    {
        $marks = $link === null ? [] : ['marks' => [['type' => 'link', 'attrs' => $link]]];

        return ['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => $text] + $marks]];
    }

    private static function html(Document $document): string
    {
        return (new HtmlRenderer(StillSources::make()))->render($document);
    }
}
