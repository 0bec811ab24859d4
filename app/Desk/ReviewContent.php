<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use Heronstem\Core\Audit\ContentNote;
use Heronstem\Core\Audit\ContentNotes;
use Heronstem\Core\Audit\Stem;
use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\InvalidDocument;
use Heronstem\Core\Content\PlainText;

/** What can be said of content while it is being written: its words, what to mend, and what keeps it from being saved. */
final class ReviewContent
{
    /**
     * @param  array<mixed>  $document  unchecked
     * @return array{words: int, notes: list<ContentNote>, refused: string|null}
     */
    public function review(array $document, Site $site): array
    {
        $blocks = is_array($document['content'] ?? null) ? array_values($document['content']) : [];
        $notes = ContentNotes::on($blocks, $site->language);
        try {
            $read = Document::read($document);

            return ['words' => count(Stem::words(PlainText::of($read))), 'notes' => $notes, 'refused' => null];
        } catch (InvalidDocument $refused) {
            return ['words' => 0, 'notes' => $notes, 'refused' => $refused->reason];
        }
    }
}
