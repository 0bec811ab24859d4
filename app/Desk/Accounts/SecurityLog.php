<?php

declare(strict_types=1);

namespace App\Desk\Accounts;

use App\Models\Site;
use App\Models\User;
use Illuminate\Contracts\Container\Container;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Http\Request;

/** What happened at the door, and to rights: written once. The database itself lets nobody change or remove a line. */
final readonly class SecurityLog
{
    /** Most lines of one answer. */
    public const PIECE = 100;

    /** Longest name of a device that is kept. */
    private const LONGEST = 300;

    public function __construct(private ConnectionInterface $db, private Container $container)
    {
    }

    /** @param  string  $who  mail address or name, of somebody without an account too */
    public function note(Happened $what, ?User $user, string $who = '', ?Site $site = null, string $detail = ''): void
    {
        $request = $this->container->make(Request::class);
        // What the installation itself does comes from no network.
        $isAsked = $request->route() !== null;
        $this->db->insert('insert into security_log (kind, site_id, user_id, who, network, device, detail) values (?, ?, ?, ?, ?, ?, ?)', [
            $what->value,
            $site?->id,
            $user?->id,
            self::clean($who !== '' ? $who : $user->name ?? ''),
            $isAsked ? (string) $request->ip() : '',
            $isAsked ? self::clean((string) $request->userAgent()) : '',
            self::clean($detail),
        ]);
    }

    /**
     * What happened on a site, and at the door to the people who work there; newest first.
     *
     * @param  int|null  $before  only what is older than this line
     * @return list<array{id: int, at: string, kind: string, who: string, network: string, device: string, detail: string}>
     */
    public function ofSite(Site $site, ?int $before, int $most = self::PIECE): array
    {
        return $this->lines(
            '(l.site_id = ? or (l.site_id is null and l.user_id in (select user_id from memberships where site_id = ?))) and l.id < ?',
            [$site->id, $site->id, $before ?? PHP_INT_MAX, $most],
        );
    }

    /** @return list<array{id: int, at: string, kind: string, who: string, network: string, device: string, detail: string}> what happened at the door to oneself; newest first */
    public function ofUser(User $user, int $most): array
    {
        return $this->lines('l.user_id = ?', [$user->id, $most]);
    }

    /**
     * @param  list<mixed>  $bound
     * @return list<array{id: int, at: string, kind: string, who: string, network: string, device: string, detail: string}>
     */
    private function lines(string $where, array $bound): array
    {
        $rows = $this->db->select(
            "select l.id, to_char(l.at at time zone 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS\"Z\"') as at, l.kind, l.who, l.network, l.device, l.detail
                from security_log l where $where order by l.id desc limit ?",
            $bound,
        );

        return array_values(
            array_map(
                static fn (\stdClass $row): array => [
                    'id' => (int) $row->id,
                    'at' => $row->at,
                    'kind' => $row->kind,
                    'who' => $row->who,
                    'network' => $row->network,
                    'device' => $row->device,
                    'detail' => $row->detail,
                ],
                $rows,
            ),
        );
    }

    private static function clean(string $text): string
    {
        return mb_substr(mb_scrub(str_replace("\0", '', $text), 'UTF-8'), 0, self::LONGEST);
    }
}
