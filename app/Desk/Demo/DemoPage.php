<?php

declare(strict_types=1);

namespace App\Desk\Demo;

/** One page of a demo file: its head code and its content in Markdown. */
final readonly class DemoPage
{
    /** @param  array<string, string>  $head */
    public function __construct(public string $address, public string $name, public array $head, public string $markdown)
    {
    }

    /**
     * Pages stand one after another, each begun by `=== /address | Name`, then `key: value` lines, a blank line, and Markdown.
     *
     * @return list<self>
     */
    public static function readAll(string $file): array
    {
        $pages = [];
        foreach (preg_split('/^=== /m', (string) file_get_contents($file), flags: PREG_SPLIT_NO_EMPTY) ?: [] as $piece) {
            [$first, $rest] = [...explode("\n", $piece, 2), ''];
            [$address, $name] = array_map(trim(...), explode('|', $first, 2));
            [$lines, $markdown] = [...explode("\n\n", $rest, 2), ''];
            $head = [];
            foreach (array_filter(explode("\n", $lines)) as $line) {
                [$key, $value] = explode(':', $line, 2);
                $head[trim($key)] = trim($value);
            }
            $pages[] = new self($address, $name, $head, trim($markdown));
        }

        return $pages;
    }

    public function parentAddress(): ?string
    {
        $end = strrpos($this->address, '/');

        return $end === 0 || $end === false ? null : substr($this->address, 0, $end);
    }

    public function slug(): string
    {
        return $this->address === '/' ? 'home' : basename($this->address);
    }
}
