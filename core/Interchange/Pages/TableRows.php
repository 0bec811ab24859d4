<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Heronstem\Core\Interchange\TableText;

/** Rows of cells of a CSV text, as they are written: spaces at the beginning of a cell may be what says a level. */
final readonly class TableRows
{
    public string $encoding;

    public string $delimiter;

    private string $text;

    /**
     * @param  string|null  $encoding  one of TableText::ENCODINGS; null for what it looks like
     * @param  string|null  $delimiter  null for what it looks like
     */
    public function __construct(string $text, ?string $encoding = null, ?string $delimiter = null)
    {
        $this->encoding = $encoding ?? TableText::encoding($text);
        $this->text = TableText::decoded($text, $this->encoding);
        $this->delimiter = $delimiter ?? TableText::delimiter($this->text);
    }

    /** @return iterable<int, list<string>> by the number of the line they begin on */
    public function all(): iterable
    {
        foreach (TableText::records($this->text) as $line => [$record, $isClosed]) {
            if (trim($record) !== '') {
                yield $line => $isClosed
                    ? array_map(strval(...), str_getcsv($record, $this->delimiter, '"', ''))
                    : [mb_strcut($record, 0, 200)];
            }
        }
    }
}
