<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

use Heronstem\Core\Content\Document;

/** What a pause page says, and for how long it is shown. */
final readonly class Pause
{
    /** Longest pause, in seconds. */
    public const MAX_SECONDS = 60;

    /** @param  int  $seconds  0 to 60 */
    public function __construct(public int $seconds, public Document $message)
    {
    }

    /** @return array{seconds: int, message: array<string, mixed>} */
    public function toArray(): array
    {
        return ['seconds' => $this->seconds, 'message' => $this->message->toArray()];
    }

    /** @param  array{seconds: int, message: array<string, mixed>}  $kept */
    public static function fromArray(array $kept): self
    {
        return new self($kept['seconds'], Document::read($kept['message']));
    }
}
