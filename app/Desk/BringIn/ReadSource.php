<?php

declare(strict_types=1);

namespace App\Desk\BringIn;

use App\Models\File;
use App\Models\Page;
use App\Models\SharedPiece;
use App\Models\Site;
use App\Models\SiteImport;
use Heronstem\Core\Identity;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\Pages\AddressSources;
use Heronstem\Core\Interchange\Pages\FoundMenu;
use Heronstem\Core\Interchange\Pages\GivenPage;
use Heronstem\Core\Interchange\Pages\HtmlFiles;
use Heronstem\Core\Interchange\Pages\MarkdownFiles;
use Heronstem\Core\Interchange\Pages\OutlineFile;
use Heronstem\Core\Interchange\Pages\PageColumn;
use Heronstem\Core\Interchange\Pages\PageTable;
use Heronstem\Core\Interchange\Pages\Remark;
use Heronstem\Core\Interchange\Pages\SiteFile;
use Heronstem\Core\Interchange\Pages\SiteRecord;
use Heronstem\Core\Interchange\Pages\SourceFormat;
use Heronstem\Core\Interchange\Pages\TableRows;

/** What was given, read as pages: by what it looks like, or as somebody said. */
final class ReadSource
{
    /** Files that are no pages and come along. */
    private const ASSET = '/\.(?:png|jpe?g|gif|webp|svg|pdf|csv|txt|ics|gpx|docx|xlsx|odt|ods|epub|zip|mp4|webm|vtt)$/i';

    /** Says of the saved pages of a site that was read itself at which addresses they stood. */
    public const MANIFEST = '_addresses.json';

    /** Rows of a table that are shown as a sample. */
    private const SAMPLE = 5;

    /** @var array<string, mixed> */
    public array $understood = [];

    /** @var list<FoundMenu> */
    public array $menus = [];

    private readonly SourceFormat $format;

    public function __construct(
        private readonly SourceFiles $files,
        private readonly SaidOfImport $said,
        private readonly Site $site,
        private readonly SiteImport $import,
    ) {
        $this->format = $said->format ?? $this->looksLike();
        $this->understood = ['format' => $this->format->value, 'left' => array_slice($files->left, 0, 20), 'leftCount' => count($files->left)];
    }

    /**
     * Pages one after the other, their contents read.
     *
     * @return iterable<GivenPage>
     *
     * @throws InputRefused where it cannot be read as this
     */
    public function pages(): iterable
    {
        $contents = new ReadContents($this->site, $this->fileAt(...));
        foreach ($this->given() as $page) {
            yield $contents->in($page);
        }
    }

    /** @return iterable<string, array<mixed>> records of a site file besides its pages, by the name of their list */
    public function records(): iterable
    {
        if ($this->format === SourceFormat::Json) {
            $to = $this->identities();
            foreach (SiteFile::records($this->files->lines()) as [$list, $record]) {
                if ($list !== 'pages') {
                    yield $list => $list === 'site' ? $record : SiteFile::turned($record, $to);
                }
            }
        }
    }

    /** @return list<string> paths of files that come along */
    public function assets(): array
    {
        return $this->files->isFolder() && ! Workbook::isOne($this->files)
            ? array_values(array_filter($this->files->names(), static fn (string $name): bool => preg_match(self::ASSET, $name) === 1))
            : [];
    }

    /** The identity that a file of the source has once it is brought in. */
    public function fileAt(string $address): ?string
    {
        $path = rawurldecode(ltrim((string) preg_replace('#^(?:https?:)?//[^/]*|[?\#].*$#', '', $address), '/'));

        return preg_match(self::ASSET, $path) === 1 && $this->files->has($path) ? Identity::derived($this->import->ulid, "file $path") : null;
    }

    private function looksLike(): SourceFormat
    {
        if (Workbook::isOne($this->files)) {
            return SourceFormat::Table;
        }
        if (! $this->files->isFolder()) {
            return match (strtolower(pathinfo($this->files->name, PATHINFO_EXTENSION))) {
                'csv', 'tsv', 'jsonl' => SourceFormat::Table,
                'opml' => SourceFormat::Opml,
                default => SourceFormat::ofText($this->files->head()),
            };
        }

        return SourceFormat::ofFolder(...$this->files->names()) ??
            (array_filter($this->files->names(), static fn (string $name): bool => preg_match('/\.xml(?:\.gz)?$/i', $name) === 1) !== []
                ? SourceFormat::Sitemap
                : throw new InputRefused('file', 'There are neither pages nor sitemaps in this folder: no .html, .md or .xml files.'));
    }

    /** @return iterable<GivenPage> */
    private function given(): iterable
    {
        return match ($this->format) {
            SourceFormat::Table => $this->table(),
            SourceFormat::Sitemap => $this->sitemaps(),
            SourceFormat::Addresses => AddressSources::list($this->text()),
            SourceFormat::Log => AddressSources::log($this->text()),
            SourceFormat::Opml => OutlineFile::pages($this->text()),
            SourceFormat::Markdown => MarkdownFiles::pages($this->texts('/\.(?:md|markdown)$/i', 'page.md')),
            SourceFormat::Html => $this->html(),
            SourceFormat::Json => $this->siteFile(),
        };
    }

    private function text(): string
    {
        return $this->files->isFolder()
            ? throw new InputRefused('format', 'This is a folder of files; it is not read as one text.')
            : $this->files->text();
    }

    /** @return iterable<string, string> */
    private function texts(string $wanted, string $otherwise): iterable
    {
        return $this->files->isFolder()
            ? $this->files->each(static fn (string $path): bool => preg_match($wanted, $path) === 1)
            : [preg_match($wanted, $this->files->name) === 1 ? $this->files->name : $otherwise => $this->files->text()];
    }

    /** @return iterable<GivenPage> */
    private function table(): iterable
    {
        $workbook = Workbook::isOne($this->files);
        $csv = $workbook ? null : new TableRows($this->text(), $this->said->encoding, $this->said->delimiter);
        $rows = fn (): iterable => $csv?->all() ?? Workbook::rows($this->files);
        $sample = [];
        foreach ($rows() as $cells) {
            if (implode('', array_map(trim(...), $cells)) !== '') {
                $sample[] = array_map(static fn (string $cell): string => mb_substr($cell, 0, 120), array_slice($cells, 0, PageTable::MAX_COLUMNS));
            }
            if (count($sample) > self::SAMPLE) {
                break;
            }
        }
        if ($sample === []) {
            throw new InputRefused('text', 'There is no row in this table.');
        }
        $table = new PageTable($sample[0], $this->said->columns);
        $this->understood += [
            'columns' => array_map(static fn (PageColumn|string $column): string => is_string($column) ? $column : $column->value, $table->columns),
            'hasHead' => $table->hasHead,
            'sample' => $sample,
            'delimiter' => $csv?->delimiter,
            'encoding' => $csv?->encoding,
        ];
        if (
            ! $table->says(PageColumn::Address) &&
            ! $table->says(PageColumn::Name) &&
            ! $table->says(PageColumn::Level) &&
            ! $table->says(PageColumn::Id)
        ) {
            throw new InputRefused('columns', 'No column says which pages these are: say which one holds addresses, names or levels.');
        }

        return $table->pages($rows());
    }

    /** @return iterable<GivenPage> */
    private function sitemaps(): iterable
    {
        if (! $this->files->isFolder()) {
            yield from AddressSources::sitemap($this->files->text());

            return;
        }
        foreach ($this->files->each(static fn (string $path): bool => preg_match('/\.xml(?:\.gz)?$/i', $path) === 1) as $path => $bytes) {
            $xml = str_starts_with($bytes, "\x1F\x8B") ? (string) @gzdecode($bytes, SourceFiles::MAX_FILE) : $bytes;
            foreach (AddressSources::sitemap($xml) as $page) {
                // An index names files that are here themselves.
                if (! $page->isRefused()) {
                    yield $page->with(['at' => "$path, {$page->at}"]);
                }
            }
        }
    }

    /** @return iterable<GivenPage> */
    private function html(): iterable
    {
        $files = fn (): iterable => $this->texts('/\.(?:x?html?|s?html)$/i', 'page.html');
        $manifest = json_decode((string) $this->files->bytes(self::MANIFEST), true);
        $stood = is_array($manifest) ? $manifest : [];
        $learnt = HtmlFiles::learnt($files(), $stood);
        $this->menus = $learnt->menus();

        return $learnt->pages($files(), $stood);
    }

    /** @return iterable<GivenPage> */
    private function siteFile(): iterable
    {
        $to = $this->identities();
        $n = 0;
        foreach (SiteFile::records($this->files->lines()) as [$list, $record]) {
            if ($list === 'pages') {
                $n++;
                try {
                    yield SiteRecord::read(SiteFile::turned($record, $to), "page $n");
                } catch (InputRefused $no) {
                    yield (new GivenPage("page $n"))->remarked(Remark::refusing($no->field, $no->reason));
                }
            }
        }
    }

    /** @var array<string, string>|null */
    private ?array $turns = null;

    /**
     * What pages, files and pieces of a site file are called here: as there, where they are of this site; anything else gets an
     * identity of its own, since another site may have it.
     *
     * @return array<string, string> by the identity in the file
     */
    private function identities(): array
    {
        if ($this->turns === null) {
            $named = [];
            foreach (SiteFile::records($this->files->lines()) as [$list, $record]) {
                $id = $list === 'site' ? null : SiteFile::identity($record);
                if ($id !== null) {
                    $named[] = $id;
                }
            }
            $here = [];
            foreach ([Page::class, File::class, SharedPiece::class] as $model) {
                foreach (array_chunk($named, 5000) as $piece) {
                    $here += array_fill_keys($model::query()->where('site_id', $this->site->id)->whereIn('ulid', $piece)->pluck('ulid')->all(), true);
                }
            }
            $this->turns = [];
            foreach ($named as $id) {
                $this->turns[$id] = isset($here[$id]) ? $id : Identity::derived($this->import->ulid, $id);
            }
        }

        return $this->turns;
    }
}
