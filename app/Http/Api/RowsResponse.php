<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\RippleGroup;
use Heronstem\Core\Interchange\Table;
use Heronstem\Core\Series;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;

/**
 * A list of consequences as asked for: filtered, a piece of it, or the whole of it as CSV (RFC 4180).
 *
 * @phpstan-import-type Row from \App\Desk\RippleRows
 */
final class RowsResponse
{
    private const PIECE = 200;

    /** @param  Series<Row>  $rows */
    public static function of(Request $request, Series $rows, RippleGroup $group): Response
    {
        $text = mb_strtolower(trim($request->string('text')->value()));
        if ($text !== '') {
            $rows = Series::of(
                $rows->where(static fn (array $row): bool => str_contains(mb_strtolower("{$row['name']} {$row['from']} {$row['to']} {$row['note']}"), $text)),
            );
        }
        if ($request->query('format') === 'csv') {
            return self::csv($rows, $group);
        }
        $offset = max(0, $request->integer('offset'));

        return new JsonResponse(['total' => count($rows), 'offset' => $offset, 'rows' => $rows->some(self::PIECE, $offset)]);
    }

    /** @param  Series<Row>  $rows */
    private static function csv(Series $rows, RippleGroup $group): StreamedResponse
    {
        return new StreamedResponse(
            static function () use ($rows): void {
                $out = fopen('php://output', 'w');
                if ($out === false) {
                    return;
                }
                fputcsv($out, ['name', 'from', 'to', 'note', 'page'], escape: '', eol: "\r\n");
                foreach ($rows as $row) {
                    fputcsv(
                        $out,
                        array_map(static fn (?string $cell): string => Table::guarded((string) $cell), [
                            $row['name'],
                            $row['from'],
                            $row['to'],
                            $row['note'],
                            $row['page'],
                        ]),
                        escape: '',
                        eol: "\r\n",
                    );
                }
                fclose($out);
            },
            200,
            ['Content-Type' => 'text/csv; charset=utf-8', 'Content-Disposition' => "attachment; filename=\"{$group->value}.csv\""],
        );
    }
}
