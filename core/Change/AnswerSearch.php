<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Search\SearchAnswer;
use Heronstem\Core\Search\SearchWords;
use Heronstem\Core\Workspace\Workspace;

/** Sets what stands first when visitors search the site for certain words: a page, a sentence, or both; neither takes it away. */
final readonly class AnswerSearch implements RequestedChange
{
    use HasShape;

    public function __construct(private SearchWords $words, private ?string $page = null, private string $text = '')
    {
    }

    public static function shape(): Shape
    {
        return Shape::of(
            'answer-search',
            Subject::Whole,
            Field::text('words', 'what visitors search for'),
            Field::identity('page', 'the page that stands first; null for none')->orNull()->optional(),
            Field::text('text', 'a sentence for visitors')->optional(),
        );
    }

    public static function read(ChangeInput $input): self
    {
        $words = SearchWords::of($input->text('words'));
        if ($words->isEmpty()) {
            throw new InputRefused('words', 'Write the words that visitors search for: at least one letter or digit.');
        }

        return new self($words, $input->text('page') ?: null, $input->text('text'));
    }

    public function on(Workspace $workspace): void
    {
        $answer = $this->page === null && trim($this->text) === '' ? null : SearchAnswer::of($this->page, $this->text);
        if ($answer?->page !== null && $workspace->pages->page($answer->page)->isBinned()) {
            throw new InputRefused('page', 'This page is in the bin. Bring it back first, or choose another.');
        }
        $stands = $workspace->search()->answers[$this->words->key()] ?? null;
        if ($stands?->toArray() === $answer?->toArray()) {
            throw new NothingToChange('words', $answer === null ? 'There is no answer for these words.' : 'This is the answer already.');
        }
        $workspace->setSearch($workspace->search()->withAnswer($this->words, $answer));
    }

    public function pagesNamed(): array
    {
        return $this->page === null ? [] : [$this->page];
    }

    public function sentence(Outcome $outcome): string
    {
        $searched = "searches for “{$this->words->key()}”";

        return match (true) {
            $this->page !== null => "Answered $searched with {$outcome->page($this->page)}",
            trim($this->text) !== '' => "Answered $searched",
            default => "Removed the answer to $searched",
        };
    }

    public function toArray(): array
    {
        return [
            'kind' => 'answer-search',
            'words' => $this->words->key(),
            ...$this->page === null ? [] : ['page' => $this->page],
            ...$this->text === '' ? [] : ['text' => $this->text],
        ];
    }
}
