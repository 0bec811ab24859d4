<?php

declare(strict_types=1);

namespace Heronstem\Core\Decision;

use Heronstem\Core\Tree\Page;

/** Something in a ripple that the manager must choose, with the answer that is taken unless they do. */
final readonly class Question
{
    /**
     * @param  string  $page  whom it is about
     * @param  int  $count  addresses that visitors know, children, or drafts
     * @param  list<Answer>  $answers  that apply here
     * @param  Page|null  $heir  the nearest live page above a retired one
     * @param  bool  $matters  nothing is applied before it is answered
     * @param  Decision|null  $decided  the manager's own answer
     */
    public function __construct(
        public QuestionKind $kind,
        public string $page,
        public string $name,
        public int $count,
        public array $answers,
        public Answer $default,
        public ?Page $heir,
        public bool $matters,
        public ?Decision $decided,
    ) {
    }

    /**
     * The question with what has been decided: the manager's own answer, the default where that is taken, null while it is open.
     *
     * @param  list<Answer>  $answers
     */
    public static function of(
        Decisions $decisions,
        QuestionKind $kind,
        Page $about,
        int $count,
        array $answers,
        Answer $default,
        bool $matters,
        ?Page $heir = null,
    ): self {
        return new self($kind, $about->id, $about->name, $count, $answers, $default, $heir, $matters, $decisions->on($kind, $about->id, $default));
    }

    public function isOpen(): bool
    {
        return $this->matters && $this->decided === null;
    }
}
