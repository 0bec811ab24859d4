<?php

declare(strict_types=1);

namespace Heronstem\Core\Ripple;

use Heronstem\Core\Decision\Note;
use Heronstem\Core\Decision\Question;

/** What somebody has to decide or should know before a batch is applied. */
final readonly class ToDecide
{
    /**
     * @param  list<Conflict>  $conflicts  open: nothing can be applied before each has its way out
     * @param  list<Question>  $questions
     * @param  list<Note>  $notes
     */
    public function __construct(public array $conflicts, public array $questions, public array $notes)
    {
    }

    /** @return list<Question> */
    public function open(): array
    {
        return array_values(array_filter($this->questions, static fn (Question $question): bool => $question->isOpen()));
    }

    public function isEmpty(): bool
    {
        return $this->conflicts === [] && $this->questions === [] && $this->notes === [];
    }
}
