<?php

declare(strict_types=1);

namespace App\Short;

/** An answer of the short path. */
final readonly class ShortAnswer
{
    /** @param  array<string, string>  $headers */
    public function __construct(public int $status, public string $body, public array $headers)
    {
    }

    /** @param  array<string, string>  $more */
    public function with(array $more): self
    {
        return new self($this->status, $this->body, $this->headers + $more);
    }

    public function send(bool $withBody): void
    {
        http_response_code($this->status);
        foreach ($this->headers as $name => $value) {
            header("$name: $value");
        }
        // To the web server in front, and to visitors by way of it: both look anew each time.
        header('Cache-Control: no-store');
        header('X-Visitor-Cache-Control: no-cache, private');
        echo $withBody ? $this->body : '';
    }
}
