<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

use Heronstem\Core\Linking\OwnAddress;

/**
 * Reads an indented list of labels and addresses, one a line, as entries of a menu in the form that EntryReader
 * takes. Tabs or spaces indent; list signs and numbers before a line are put aside; a line is a label, an address,
 * or a label and an address. What is known as a page becomes an entry to that page.
 */
final readonly class PastedEntries
{
    /**
     * @param  \Closure(string): ?string  $pageAt  the page at an address of the site
     * @param  \Closure(string): ?string  $pageNamed  the only page with such a name
     */
    public function __construct(private OwnAddress $own, private \Closure $pageAt, private \Closure $pageNamed)
    {
    }

    /** @return list<array<string, mixed>> nested under `entries` */
    public function read(string $text): array
    {
        $lines = [];
        foreach (preg_split('/\R/u', mb_scrub($text, 'UTF-8')) ?: [] as $line) {
            if (trim($line) !== '') {
                preg_match('/^[ \t]*/', $line, $indent);
                $lines[] = [strlen(str_replace("\t", '    ', $indent[0] ?? '')), trim($line)];
            }
        }
        $at = 0;

        return $this->level($lines, $at, $lines === [] ? 0 : min(array_column($lines, 0)));
    }

    /** The page at an address of the site, as an href writes it. */
    public function pageAt(string $href): ?string
    {
        $address = $this->own->in($href);

        return $address === null ? null : ($this->pageAt)($address->key);
    }

    /**
     * @param  list<array{int, string}>  $lines
     * @return list<array<string, mixed>>
     */
    private function level(array $lines, int &$at, int $indent): array
    {
        $entries = [];
        while (isset($lines[$at]) && $lines[$at][0] >= $indent) {
            [$own, $line] = $lines[$at];
            if ($own > $indent && $entries !== []) {
                $entries[count($entries) - 1]['entries'] = $this->level($lines, $at, $own);

                continue;
            }
            $at++;
            $entries[] = $this->entry($line);
        }

        return $entries;
    }

    /** @return array<string, mixed> */
    private function entry(string $line): array
    {
        if (preg_match('/^[-–—_=*]{3,}$/u', $line) === 1) {
            return ['kind' => 'separator'];
        }
        $line = trim((string) preg_replace('/^(?:[-*•·+]|\d{1,3}[.)])\s+/u', '', $line));
        [$label, $href] =
            preg_match('#^(.*?)[\s|:,;<(\[]*((?:https?://|/)\S*?)[>)\]]*$#iu', $line, $parts) === 1
                ? [trim($parts[1], " \t|:,;-–<([])"), $parts[2]]
                : [$line, null];
        $address = $href === null ? null : $this->own->in($href);
        $page = match (true) {
            $address !== null => ($this->pageAt)($address->key),
            $href === null => ($this->pageNamed)($label),
            default => null,
        };
        $named = $label === '' ? [] : ['label' => $label];

        return match (true) {
            $page !== null => ['kind' => 'page', 'page' => $page] + $named,
            $address !== null => ['kind' => 'address', 'address' => $address->path, 'label' => $label === '' ? $address->readable() : $label],
            $href !== null => [
                'kind' => 'url',
                'url' => $href,
                'label' => $label === '' ? (string) preg_replace('#^https?://(?:www\.)?#i', '', $href) : $label,
            ],
            default => ['kind' => 'heading', 'label' => $label],
        };
    }
}
