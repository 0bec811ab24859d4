<?php

declare(strict_types=1);

namespace App\Desk\BringIn;

use App\Jobs\ReadGiven;
use App\Jobs\ReadOldSite;
use App\Models\Site;
use App\Models\SiteImport;
use App\Models\User;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\Pages\FoundMenu;
use Heronstem\Core\Interchange\Pages\GivenPage;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Takes something in that is to be brought into a site, and reads it: at once where it is small, else in the background. */
final readonly class GiveSource
{
    /** Bytes up to which a text is read at once. */
    public const AT_ONCE = 300_000;

    /** Most pages of one source that are read. */
    private const MAX_PAGES = 80_000;

    /** Most records besides pages that are kept of a site file, of each list. */
    private const MAX_RECORDS = 20_000;

    /** Days after which what nobody applied is forgotten. */
    public const KEPT_DAYS = 7;

    public function __construct(private GivenLines $lines)
    {
    }

    /**
     * @param  resource|string  $bytes
     * @param  array<string, mixed>  $said  as SaidOfImport takes it
     *
     * @throws InputRefused naming the field
     */
    public function give(Site $site, ?User $user, string $name, $bytes, string $source, array $said = []): SiteImport
    {
        $import = $this->keep($site, $user, $name, $bytes, $source, $said);
        $isSmall = is_string($bytes) && strlen($bytes) <= self::AT_ONCE && ! str_starts_with($bytes, "PK\x03\x04");
        $isSmall ? $this->read($import) : ReadGiven::dispatch($import->id);

        return $import->refresh();
    }

    /**
     * The same without reading it.
     *
     * @param  resource|string  $bytes
     * @param  array<string, mixed>  $said
     *
     * @throws InputRefused naming the field
     */
    public function keep(Site $site, ?User $user, string $name, $bytes, string $source, array $said): SiteImport
    {
        SaidOfImport::read($said, $site->zone);
        $this->forgetOld($site);
        $import = new SiteImport([
            'site_id' => $site->id,
            'user_id' => $user?->id,
            'name' => mb_substr($name, 0, 200),
            'source' => $source,
            'said' => $said,
            'understood' => [],
        ]);
        $import->ulid = (string) Str::ulid();
        $import->save();
        $this->lines->keep($import, $bytes);

        return $import->refresh();
    }

    /**
     * The living old site, read in the background.
     *
     * @throws InputRefused where it is none that could be
     */
    public function giveSite(Site $site, User $user, string $address): SiteImport
    {
        $address = trim($address);
        if (preg_match('#^https?://([^/?\#\s@]+)(/[^?\#\s]*)?$#iD', $address, $of) !== 1 || strlen($address) > 2000) {
            throw new InputRefused(
                'address',
                'This is the address of a site: https:// and its host, with a path if it begins below one.',
                'https://www.example.org/',
            );
        }
        if ($site->ownAddresses()->in($address) !== null) {
            throw new InputRefused('address', 'This is the address of this very site.');
        }
        $this->forgetOld($site);
        $import = new SiteImport([
            'site_id' => $site->id,
            'user_id' => $user->id,
            'name' => mb_substr($of[1], 0, 200),
            'source' => 'site',
            'said' => ['format' => 'html'],
            'understood' => [],
        ]);
        $import->ulid = (string) Str::ulid();
        $import->save();
        ReadOldSite::dispatch($import->id, isset($of[2]) ? $address : "$address/");

        return $import->refresh();
    }

    /**
     * Says how it is to be read, or what becomes of it. Where only the latter changes, nothing has to be read anew.
     *
     * @param  array<string, mixed>  $said
     *
     * @throws InputRefused naming the field
     */
    public function say(SiteImport $import, array $said): SiteImport
    {
        if ($this->keepSaid($import, $said)) {
            $this->lines->size($import) <= self::AT_ONCE ? $this->read($import) : ReadGiven::dispatch($import->id);
        }

        return $import->refresh();
    }

    /**
     * Keeps what is said beside what was said before, by whomever and however short ago.
     *
     * @param  array<string, mixed>  $said
     * @return bool whether it has to be read anew then
     */
    private function keepSaid(SiteImport $import, array $said): bool
    {
        return DB::transaction(static function () use ($import, $said): bool {
            $import->hold();
            if (in_array($import->state, ['applying', 'applied'], true)) {
                throw new InputRefused('import', 'This was brought in already. Give it again to change how.');
            }
            $before = SaidOfImport::read($import->said, $import->site->zone);
            $all = [...$import->said, ...$said];
            $now = SaidOfImport::read($all, $import->site->zone);
            $isReadAnew = [$before->format, $before->columns, $before->delimiter, $before->encoding] !== [
                $now->format,
                $now->columns,
                $now->delimiter,
                $now->encoding,
            ];
            $import->update(['said' => $all, ...$isReadAnew ? ['state' => 'reading', 'done' => 0, 'problem' => null] : []]);

            return $isReadAnew;
        });
    }

    /** Reads what was given into pages. What cannot be read is said in the import itself. */
    public function read(SiteImport $import): void
    {
        $site = $import->site;
        $source = null;
        try {
            $files = $this->lines->open($import);
            $source = new ReadSource($files, SaidOfImport::read($import->said, $site->zone), $site, $import);
            $n = 0;
            $this->lines->write($import, $this->bounded($source->pages(), $import, $n));
            $understood = [
                ...$source->understood,
                'pages' => $n,
                'menus' => array_map(static fn (FoundMenu $menu): array => ['name' => $menu->name, 'links' => $menu->links], $source->menus),
            ];
            $understood += $this->besides($source);
            if ($n === 0 && $understood['records'] === []) {
                throw new InputRefused('text', 'There is no page in this.');
            }
            SiteImport::query()
                ->whereKey($import->id)
                ->where('state', 'reading')
                ->update(['state' => 'ready', 'done' => $n, 'total' => $n, 'understood' => GivenLines::json($understood), 'problem' => null]);
        } catch (InputRefused $no) {
            SiteImport::query()
                ->whereKey($import->id)
                ->update([
                    'state' => 'failed',
                    'problem' => $no->reason,
                    'understood' => GivenLines::json([...$source->understood ?? [], 'field' => $no->field]),
                ]);
        } finally {
            $this->lines->close($import);
        }
    }

    public function discard(SiteImport $import): void
    {
        $import->state === 'applied' ?: $import->update(['state' => 'stopped']);
        $this->lines->forget($import);
        $import->delete();
    }

    /**
     * @param  iterable<GivenPage>  $pages
     * @return iterable<GivenPage>
     */
    private function bounded(iterable $pages, SiteImport $import, int &$n): iterable
    {
        foreach ($pages as $page) {
            if (++$n > self::MAX_PAGES) {
                throw new InputRefused(
                    'text',
                    sprintf('There are more than %s pages in this. Give it in parts, one branch after the other.', number_format(self::MAX_PAGES)),
                );
            }
            if ($n % 100 === 0) {
                $goesOn = SiteImport::query()
                    ->whereKey($import->id)
                    ->where('state', 'reading')
                    ->update(['done' => $n]);
                if ($goesOn === 0) {
                    throw new InputRefused('import', 'Reading was stopped.');
                }
            }
            yield $page;
        }
    }

    /** @return array{assets: int, pieces: int, files: int, records: array<string, mixed>} what comes besides pages */
    private function besides(ReadSource $source): array
    {
        $records = [];
        $counts = ['pieces' => 0, 'files' => 0];
        foreach ($source->records() as $list => $record) {
            if ($list === 'site') {
                $records['site'] = $record;
            } elseif ($list === 'menus' || $list === 'redirects') {
                $records[$list][] = $record;
                if (count($records[$list]) > self::MAX_RECORDS) {
                    throw new InputRefused('text', sprintf('There are more than %s %s in this site file.', number_format(self::MAX_RECORDS), $list));
                }
            } elseif (isset($counts[$list])) {
                $counts[$list]++;
            }
        }
        $assets = count($source->assets());

        return ['assets' => $assets + $counts['files'], 'records' => $records] + $counts;
    }

    private function forgetOld(Site $site): void
    {
        foreach (
            SiteImport::query()
                ->where('site_id', $site->id)
                ->where('updated_at', '<', Carbon::now()->subDays(self::KEPT_DAYS))
                ->limit(20)
                ->get() as $old
        ) {
            $this->lines->forget($old);
            $old->delete();
        }
    }
}
