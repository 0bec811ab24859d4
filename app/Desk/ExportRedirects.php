<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\CompiledRules;
use App\Store\PreloadedLookup;
use App\Store\StoredRules;
use Heronstem\Core\Interchange\RedirectRows;
use Heronstem\Core\Interchange\Server\ApacheRules;
use Heronstem\Core\Interchange\Server\KeptRules;
use Heronstem\Core\Interchange\Server\NginxRules;
use Heronstem\Core\Interchange\Server\ServerRules;
use Heronstem\Core\Interchange\Table;
use Heronstem\Core\Moment;
use Heronstem\Core\Redirect\Resolver;
use Heronstem\Core\Redirect\Rule;
use Illuminate\Database\Connection;

/** The redirects of a site as files for web servers. */
final readonly class ExportRedirects
{
    public function __construct(private Connection $db, private CompiledRules $compiled)
    {
    }

    /**
     * @param  string  $map  where Apache finds the table
     * @return iterable<string> pieces of the file
     */
    public function pieces(Site $site, RedirectFormat $format, string $map = ApacheRules::MAP): iterable
    {
        return match ($format) {
            RedirectFormat::Csv => $this->csv($site),
            RedirectFormat::JsonLines => $this->jsonLines($site),
            RedirectFormat::NginxMaps => [$this->nginx($site)->maps($this->kept($site))],
            RedirectFormat::NginxServer => [NginxRules::server()],
            RedirectFormat::ApacheMap => [$this->apache($site)->map($this->kept($site))],
            RedirectFormat::ApacheRules => [$this->apache($site)->rules($map, $this->kept($site))],
        };
    }

    /** @return iterable<string> lines of CSV, the columns named first */
    private function csv(Site $site): iterable
    {
        yield Table::csv(RedirectRows::COLUMNS);
        foreach ($this->written($site) as $row) {
            yield Table::csv($row);
        }
    }

    /** @return iterable<string> an object a line */
    private function jsonLines(Site $site): iterable
    {
        foreach ($this->written($site) as $row) {
            yield json_encode(
                array_filter(array_combine(RedirectRows::COLUMNS, $row), static fn (string $cell): bool => $cell !== ''),
                JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
            )."\n";
        }
    }

    /** @return iterable<list<string>> */
    private function written(Site $site): iterable
    {
        $addresses = array_column(
            $this->db->select(
                "select p.ulid, p.address from pages p where p.site_id = ? and p.state <> 'bin' and exists (select 1 from redirect_rules r
                    where r.site_id = p.site_id and r.target = 'page ' || p.ulid)",
                [$site->id],
            ),
            'address',
            'ulid',
        );
        $files = array_column($this->db->select('select ulid, name from files where site_id = ?', [$site->id]), 'name', 'ulid');
        foreach ((new StoredRules($this->db, $site))->everyRule() as $rule) {
            yield RedirectRows::written(
                $rule,
                static fn (string $page): ?string => $addresses[$page] ?? null,
                static fn (string $file): ?string => $files[$file] ?? null,
            );
        }
    }

    public function nginx(Site $site): NginxRules
    {
        return new NginxRules($this->server($site));
    }

    public function apache(Site $site): ApacheRules
    {
        return new ApacheRules($this->server($site));
    }

    /** @return iterable<string> the rules themselves as comments of a web server's file, which are read again as the same rules */
    public function kept(Site $site): iterable
    {
        foreach ($this->jsonLines($site) as $line) {
            yield KeptRules::written($line);
        }
    }

    private function server(Site $site): ServerRules
    {
        $at = Moment::at(now()->getTimestamp());
        $rules = array_values(
            array_filter(iterator_to_array((new StoredRules($this->db, $site))->everyRule(), false), static fn (Rule $rule): bool => $rule->isActiveAt($at)),
        );
        $set = $this->compiled->of($site);

        return new ServerRules(
            $rules,
            $this->addresses($site, "l.kind in ('redirect', 'gone')"),
            $this->addresses($site, "l.kind in ('page', 'also')"),
            new Resolver($site->rules(), new PreloadedLookup($this->db, $site, $rules), $set),
            $set,
            $site->rules(),
        );
    }

    /** @return list<string> */
    private function addresses(Site $site, string $which): array
    {
        return array_column(
            $this->db->select("select l.address from ledger l where l.site_id = ? and $which order by l.key", [$site->id]),
            'address',
        );
    }
}
