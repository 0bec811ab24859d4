<?php

declare(strict_types=1);

namespace Heronstem\Core\Decision;

use Heronstem\Core\Address\Address;
use Heronstem\Core\InputRefused;

/** The manager's answer where a ripple does not go on by itself. */
final readonly class Decision
{
    /**
     * @param  QuestionKind|null  $kind  null for an address that gives way
     * @param  string|null  $to  the page named by the answer `page`
     */
    private function __construct(
        public ?QuestionKind $kind,
        public ?string $page,
        public ?Answer $answer,
        public ?string $to,
        public ?Address $givesWay,
    ) {
    }

    /** What holds this address (a redirect, a record of being gone, a page in the bin) lets it go. */
    public static function giveWay(Address $address): self
    {
        return new self(null, null, null, null, $address);
    }

    /** @throws InputRefused when the answer is none to this kind of question */
    public static function answer(QuestionKind $kind, string $page, Answer $answer, ?string $to = null): self
    {
        if (! in_array($answer, $kind->answers(), true)) {
            throw new InputRefused('answer', "To {$kind->value} one answers ".implode(' or ', array_column($kind->answers(), 'value')).'.');
        }
        if (($answer === Answer::Page) !== ($to !== null)) {
            throw new InputRefused('to', 'The answer page names a page in `to`, and no other does.');
        }

        return new self($kind, $page, $answer, $to, null);
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        if ($this->givesWay !== null) {
            return ['kind' => 'give-way', 'address' => $this->givesWay->path];
        }

        return array_filter(
            ['kind' => $this->kind->value ?? '', 'page' => $this->page ?? '', 'answer' => $this->answer->value ?? '', 'to' => $this->to ?? ''],
            static fn (string $text): bool => $text !== '',
        );
    }
}
