<?php

declare(strict_types=1);

namespace App\Desk\TakeOut;

/** The files that a site, or a branch of it, goes out as. */
enum SiteFormat: string
{
    case Json = 'site-json';
    case Csv = 'site-csv';
    case Xlsx = 'site-xlsx';
    case Html = 'site-html';
    case Markdown = 'markdown';
    case Opml = 'opml';
    case Sitemap = 'sitemap';

    /** @return string their names, with commas between */
    public static function names(): string
    {
        return implode(', ', array_column(self::cases(), 'value'));
    }

    public function mediaType(): string
    {
        return match ($this) {
            self::Json => 'application/json',
            self::Csv => 'text/csv; charset=utf-8',
            self::Xlsx => 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
            self::Html, self::Markdown => 'application/zip',
            self::Opml => 'text/x-opml; charset=utf-8',
            self::Sitemap => 'application/xml',
        };
    }

    /** @param  string  $what  key of the site, and where it is a branch its slug */
    public function fileName(string $what): string
    {
        return $what.
            match ($this) {
                self::Json => '.json',
                self::Csv => '.csv',
                self::Xlsx => '.xlsx',
                self::Html => '-html.zip',
                self::Markdown => '-markdown.zip',
                self::Opml => '.opml',
                self::Sitemap => '-sitemap.xml',
            };
    }
}
