<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\InvalidDocument;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Workspace\Workspace;

/**
 * Gives a page other content, which visitors of a live page get at once. It becomes a version like any other; whoever keeps the
 * versions says by `numbered()` which one, before the change is made.
 */
final readonly class SetContent implements RequestedChange
{
    use HasShape, NamesItsPage;

    private function __construct(public string $page, public Document $document, public ?int $version = null)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('set-content', Subject::Page, Field::map('document', 'the content, as the Document schema has it'));
    }

    public static function read(ChangeInput $input): self
    {
        try {
            return new self($input->page(), Document::read($input->map('document')));
        } catch (InvalidDocument $no) {
            throw new InputRefused('document', $no->reason, $no->suggestion);
        }
    }

    public function numbered(int $version): self
    {
        return new self($this->page, $this->document, $version);
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        $version = $this->version ?? throw new \LogicException('The version of this content has not been numbered.');
        $workspace->pages->put($page->with(['contentSaved' => $version, ...$page->isLive() ? ['contentLive' => $version] : []]));
    }

    public function sentence(Outcome $outcome): string
    {
        return "Changed the content of {$outcome->page($this->page)}";
    }

    public function toArray(): array
    {
        return ['kind' => 'set-content', 'page' => $this->page, 'document' => $this->document->toArray()];
    }
}
