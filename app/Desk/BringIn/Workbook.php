<?php

declare(strict_types=1);

namespace App\Desk\BringIn;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\Pages\SafeXml;

/**
 * The first sheet of a workbook (Office Open XML, ECMA-376, part 1, 18.3) as rows of texts. Read as a stream: of the whole book only
 * the shared texts are held.
 */
final class Workbook
{
    private const SAYS = 'This workbook cannot be read';

    /** Most cells of one row. */
    private const MAX_COLUMNS = 200;

    /** Days from 1 January 1970 to the day that workbooks count from. */
    private const EPOCH = 25569;

    /** @var list<string> */
    private array $shared = [];

    /** @var array<int, bool> whether cells of a style are dates, by its number */
    private array $dates = [];

    private function __construct(private readonly SourceFiles $files)
    {
    }

    public static function isOne(SourceFiles $files): bool
    {
        return $files->isFolder() && $files->has('xl/workbook.xml');
    }

    /**
     * @return iterable<int, list<string>> by number of the row, from 1
     *
     * @throws InputRefused
     */
    public static function rows(SourceFiles $files): iterable
    {
        $self = new self($files);
        $self->readShared();
        $self->readStyles();

        return $self->sheet();
    }

    /** @return iterable<int, list<string>> */
    private function sheet(): iterable
    {
        $xml = $this->files->bytes($this->firstSheet()) ?? throw new InputRefused('file', self::SAYS.': it has no sheet.');
        $reader = SafeXml::reader($xml, self::SAYS);
        $row = [];
        $number = 0;
        while (SafeXml::next($reader, self::SAYS)) {
            if ($reader->localName === 'row' && $reader->nodeType === \XMLReader::ELEMENT) {
                $number = (int) ($reader->getAttribute('r') ?? $number + 1);
                $row = [];
                if ($reader->isEmptyElement) {
                    continue;
                }
            } elseif ($reader->localName === 'row' && $reader->nodeType === \XMLReader::END_ELEMENT) {
                yield $number => $row === []
                    ? []
                    : array_values(array_map(strval(...), array_replace(array_fill(0, max(array_keys($row)) + 1, ''), $row)));
            } elseif ($reader->localName === 'c' && $reader->nodeType === \XMLReader::ELEMENT) {
                $column = self::column((string) $reader->getAttribute('r')) ?? count($row);
                if ($column < self::MAX_COLUMNS) {
                    $row[$column] = $this->cell($reader);
                }
            }
        }
    }

    private function cell(\XMLReader $reader): string
    {
        [$type, $style] = [$reader->getAttribute('t'), (int) $reader->getAttribute('s')];
        if ($reader->isEmptyElement) {
            return '';
        }
        $value = '';
        $isValue = false;
        $depth = $reader->depth;
        while (SafeXml::next($reader, self::SAYS) && $reader->depth > $depth) {
            if ($reader->nodeType === \XMLReader::ELEMENT) {
                $isValue = $reader->localName === 'v' || $reader->localName === 't';
            } elseif (
                $isValue &&
                in_array($reader->nodeType, [\XMLReader::TEXT, \XMLReader::CDATA, \XMLReader::SIGNIFICANT_WHITESPACE, \XMLReader::WHITESPACE], true)
            ) {
                $value .= $reader->value;
            }
        }

        return match (true) {
            $type === 's' => $this->shared[(int) $value] ?? '',
            $type === 'b' => $value === '1' ? 'yes' : 'no',
            $type === null && is_numeric($value) && ($this->dates[$style] ?? false) => self::moment((float) $value),
            default => $value,
        };
    }

    private static function moment(float $days): string
    {
        $seconds = (int) round(($days - self::EPOCH) * 86400);

        return gmdate($seconds % 86400 === 0 ? 'Y-m-d' : 'Y-m-d\TH:i', $seconds);
    }

    /** `AB12` is the column 27. */
    private static function column(string $at): ?int
    {
        if (preg_match('/^([A-Z]{1,3})\d+$/D', $at, $of) !== 1) {
            return null;
        }
        $column = 0;
        foreach (str_split($of[1]) as $letter) {
            $column = 26 * $column + ord($letter) - 64;
        }

        return $column - 1;
    }

    private function firstSheet(): string
    {
        $book = (string) $this->files->bytes('xl/workbook.xml');
        $links = (string) $this->files->bytes('xl/_rels/workbook.xml.rels');
        if (
            preg_match('/<(?:\w+:)?sheet\b[^>]*\br:id="([^"]+)"/', $book, $sheet) === 1 &&
            preg_match('/<Relationship\b(?=[^>]*\bId="'.preg_quote($sheet[1], '/').'")[^>]*\bTarget="([^"]+)"/', $links, $to) === 1
        ) {
            return str_starts_with($to[1], '/') ? ltrim($to[1], '/') : 'xl/'.$to[1];
        }

        return 'xl/worksheets/sheet1.xml';
    }

    private function readShared(): void
    {
        $xml = $this->files->bytes('xl/sharedStrings.xml');
        if ($xml === null) {
            return;
        }
        $reader = SafeXml::reader($xml, self::SAYS);
        $text = null;
        $isText = false;
        $phonetic = 0;
        while (SafeXml::next($reader, self::SAYS)) {
            $isOpen = $reader->nodeType === \XMLReader::ELEMENT;
            if ($reader->localName === 'si') {
                $text === null || $isOpen ?: ($this->shared[] = $text);
                $text = $isOpen ? '' : null;
                if ($isOpen && $reader->isEmptyElement) {
                    $this->shared[] = '';
                    $text = null;
                }
            } elseif ($reader->localName === 'rPh') {
                $phonetic += $isOpen ? 1 : -1;
            } elseif ($reader->localName === 't') {
                $isText = $isOpen && ! $reader->isEmptyElement && $phonetic === 0;
            } elseif (
                $isText &&
                $text !== null &&
                in_array($reader->nodeType, [\XMLReader::TEXT, \XMLReader::CDATA, \XMLReader::SIGNIFICANT_WHITESPACE, \XMLReader::WHITESPACE], true)
            ) {
                $text .= $reader->value;
            }
        }
    }

    /** Numbers are dates where their format says so: one of the built-in ones, or with years or days in it (18.8.30). */
    private function readStyles(): void
    {
        $xml = (string) $this->files->bytes('xl/styles.xml');
        $own = [];
        preg_match_all('/<numFmt\b[^>]*>/', $xml, $formats);
        foreach ($formats[0] as $format) {
            if (preg_match('/numFmtId="(\d+)"/', $format, $id) === 1 && preg_match('/formatCode="([^"]*)"/', $format, $code) === 1) {
                $own[(int) $id[1]] = preg_match('/[yd]/i', (string) preg_replace('/&quot;.*?&quot;|\[[^\]]*\]/', '', $code[1])) === 1;
            }
        }
        if (preg_match('/<cellXfs\b.*?<\/cellXfs>/s', $xml, $cells) === 1) {
            preg_match_all('/<xf\b[^>]*?numFmtId="(\d+)"/', $cells[0], $styles);
            foreach ($styles[1] as $style => $format) {
                $this->dates[$style] = $own[(int) $format] ?? (int) $format >= 14 && (int) $format <= 22;
            }
        }
    }
}
