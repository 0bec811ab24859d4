<?php

declare(strict_types=1);

namespace App\Desk\TakeOut;

/** The parts of a workbook with one sheet of texts (Office Open XML, ECMA-376, part 1): cells hold their texts themselves. */
final class WriteWorkbook
{
    private const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';

    private const DOCUMENT = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';

    private const PACKAGE = 'http://schemas.openxmlformats.org/package/2006';

    /** Most characters that a cell holds. */
    private const MAX_CELL = 32767;

    /**
     * @param  iterable<list<string>>  $rows
     * @return iterable<string, string> bytes by path
     */
    public static function files(iterable $rows): iterable
    {
        $head = "<?xml version=\"1.0\" encoding=\"UTF-8\" standalone=\"yes\"?>\n";
        [$main, $document, $package] = [self::MAIN, self::DOCUMENT, self::PACKAGE];
        yield '[Content_Types].xml' => "$head<Types xmlns=\"$package/content-types\"><Default Extension=\"rels\" ContentType=\"application/vnd.openxmlformats-package.relationships+xml\"/><Default Extension=\"xml\" ContentType=\"application/xml\"/><Override PartName=\"/xl/workbook.xml\" ContentType=\"application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml\"/><Override PartName=\"/xl/worksheets/sheet1.xml\" ContentType=\"application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml\"/></Types>";
        yield '_rels/.rels' => "$head<Relationships xmlns=\"$package/relationships\"><Relationship Id=\"rId1\" Type=\"$document/officeDocument\" Target=\"xl/workbook.xml\"/></Relationships>";
        yield 'xl/workbook.xml' => "$head<workbook xmlns=\"$main\" xmlns:r=\"$document\"><sheets><sheet name=\"Pages\" sheetId=\"1\" r:id=\"rId1\"/></sheets></workbook>";
        yield 'xl/_rels/workbook.xml.rels' => "$head<Relationships xmlns=\"$package/relationships\"><Relationship Id=\"rId1\" Type=\"$document/worksheet\" Target=\"worksheets/sheet1.xml\"/></Relationships>";
        yield 'xl/worksheets/sheet1.xml' => "$head<worksheet xmlns=\"$main\"><sheetData>".implode('', iterator_to_array(self::sheet($rows), false)).'</sheetData></worksheet>';
    }

    /**
     * @param  iterable<list<string>>  $rows
     * @return iterable<string>
     */
    private static function sheet(iterable $rows): iterable
    {
        $n = 0;
        foreach ($rows as $row) {
            $n++;
            $cells = '';
            foreach ($row as $i => $cell) {
                if ($cell !== '') {
                    $text = htmlspecialchars((string) preg_replace('/[^\x09\x0A\x0D\x20-\x{D7FF}\x{E000}-\x{FFFD}\x{10000}-\x{10FFFF}]/u', '', mb_substr($cell, 0, self::MAX_CELL)), ENT_QUOTES | ENT_XML1, 'UTF-8');
                    $cells .= '<c r="'.self::column($i)."$n\" t=\"inlineStr\"><is><t xml:space=\"preserve\">$text</t></is></c>";
                }
            }
            yield "<row r=\"$n\">$cells</row>";
        }
    }

    /** 27 is `AB`. */
    private static function column(int $number): string
    {
        $letters = '';
        for ($n = $number + 1; $n > 0; $n = intdiv($n - 1, 26)) {
            $letters = chr(65 + (($n - 1) % 26)).$letters;
        }

        return $letters;
    }
}
