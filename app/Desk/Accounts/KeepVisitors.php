<?php

declare(strict_types=1);

namespace App\Desk\Accounts;

use App\Models\Site;
use App\Models\User;
use App\Models\Visitor;
use Heronstem\Core\Access\MailAddress;
use Heronstem\Core\Access\PersonName;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\VisitorRow;
use Heronstem\Core\Interchange\VisitorRows;
use Heronstem\Core\Visitors\SignUp;
use Heronstem\Core\Visitors\VisitorRoles;
use Illuminate\Database\Connection;

/** The accounts of a site's visitors, as those look after them who may say who sees pages. */
final readonly class KeepVisitors
{
    /** Accounts of one answer. */
    public const PIECE = 200;

    public function __construct(private Connection $db, private VisitorLinks $links, private SecurityLog $log)
    {
    }

    /** @return array<string, mixed> */
    public function list(Site $site, string $text, int $offset): array
    {
        $like = '%'.addcslashes(mb_strtolower(trim($text)), '%_\\').'%';
        $found = Visitor::query()
            ->where('site_id', $site->id)
            ->when(trim($text) !== '', static fn ($query) => $query->whereRaw("lower(name || ' ' || email || ' ' || roles::text) like ?", [$like]));
        $rows = $found->clone()->orderByRaw('lower(name), id')->offset($offset)->limit(self::PIECE)->get();

        return [
            'total' => $found->count(),
            'offset' => $offset,
            'rows' => $rows->map(self::shown(...))->all(),
            'asking' => Visitor::query()
                ->where('site_id', $site->id)
                ->whereNotNull('confirmed_at')
                ->whereNull('admitted_at')
                ->whereNull('disabled_at')
                ->count(),
            'signUp' => self::object(SignUp::stored($site->sign_up)),
        ];
    }

    /**
     * @param  mixed  $roles  a list of names
     * @return array{Visitor, string|null} and where no mail is sent, the address to hand over
     */
    public function make(Site $site, User $by, string $name, string $mail, mixed $roles): array
    {
        $to = MailAddress::read($mail);
        if (Visitor::query()->where('site_id', $site->id)->where('email', $to)->exists()) {
            throw new InputRefused('email', 'A visitor has this mail address already. Change their roles instead.');
        }

        return $this->db->transaction(function () use ($site, $by, $name, $to, $roles): array {
            $visitor = $this->begin($site, PersonName::read($name), $to, VisitorRoles::read($roles, 'roles'));
            $this->log->note(Happened::VisitorMade, $by, site: $site, detail: $to);

            return [$visitor, $this->links->send($visitor, $site, VisitorLinks::INVITATION)];
        });
    }

    /** @param  array{name?: string, roles?: mixed, isDisabled?: bool, isAdmitted?: true}  $given */
    public function change(Visitor $visitor, Site $site, User $by, array $given): void
    {
        $this->db->transaction(function () use ($visitor, $site, $by, $given): void {
            $visitor->forceFill([
                ...isset($given['name']) ? ['name' => PersonName::read($given['name'])] : [],
                ...array_key_exists('roles', $given) ? ['roles' => VisitorRoles::read($given['roles'], 'roles')] : [],
                ...isset($given['isDisabled']) ? ['disabled_at' => $given['isDisabled'] ? now() : null] : [],
                ...isset($given['isAdmitted']) ? ['admitted_at' => now()] : [],
            ]);
            $changed = implode(', ', array_keys($given));
            $visitor->save();
            if ($visitor->disabled_at !== null) {
                $this->db->delete('delete from visitor_sign_ins where visitor_id = ?', [$visitor->id]);
            }
            $this->log->note(Happened::VisitorChanged, $by, site: $site, detail: "{$visitor->email}: $changed");
        });
    }

    public function again(Visitor $visitor, Site $site): ?string
    {
        if ($visitor->confirmed_at !== null) {
            throw new InputRefused('visitor', "{$visitor->name} has come already. They can ask for a new password where they sign in.");
        }

        return $this->links->send($visitor, $site, VisitorLinks::INVITATION);
    }

    public function remove(Visitor $visitor, Site $site, User $by): void
    {
        $this->log->note(Happened::VisitorRemoved, $by, site: $site, detail: $visitor->email);
        $visitor->delete();
    }

    public function setSignUp(Site $site, SignUp $signUp): void
    {
        $site->forceFill(['sign_up' => json_encode($signUp->toArray(), JSON_THROW_ON_ERROR)])->save();
    }

    /**
     * What a table would do, line by line.
     *
     * @return list<array{line: int, mail: string, name: string, roles: list<string>, does: string, fault: string|null}>
     */
    public function read(Site $site, string $text): array
    {
        $rows = VisitorRows::read($text);
        $known = Visitor::query()
            ->where('site_id', $site->id)
            ->whereIn('email', array_map(static fn (VisitorRow $row): string => $row->mail, $rows))
            ->get()
            ->keyBy('email');

        return array_map(static function (VisitorRow $row) use ($known): array {
            $there = $known[$row->mail] ?? null;
            $does = match (true) {
                $row->fault !== null => 'nothing',
                $there === null => 'makes',
                $there->name === $row->name && $there->roles === $row->roles => 'stays',
                default => 'changes',
            };

            return [
                'line' => $row->line,
                'mail' => $row->mail,
                'name' => $row->name,
                'roles' => $row->roles,
                'does' => $does,
                'fault' => $row->fault,
            ];
        }, $rows);
    }

    /**
     * Makes and changes what the table says, in one step; whoever is new is invited.
     *
     * @return array{made: int, changed: int, links: list<string>} and where no mail is sent, the addresses to hand over
     */
    public function import(Site $site, User $by, string $text): array
    {
        return $this->db->transaction(function () use ($site, $by, $text): array {
            $made = $changed = 0;
            $links = [];
            foreach ($this->read($site, $text) as $row) {
                if ($row['does'] === 'makes') {
                    $made++;
                    $visitor = $this->begin($site, $row['name'], $row['mail'], $row['roles']);
                    $this->log->note(Happened::VisitorMade, $by, site: $site, detail: $row['mail']);
                    $link = $this->links->send($visitor, $site, VisitorLinks::INVITATION);
                    array_push($links, ...$link === null ? [] : ["{$row['mail']} $link"]);
                } elseif ($row['does'] === 'changes') {
                    $changed++;
                    $visitor = Visitor::query()->where('site_id', $site->id)->where('email', $row['mail'])->firstOrFail();
                    $this->change($visitor, $site, $by, ['name' => $row['name'], 'roles' => $row['roles']]);
                }
            }

            return ['made' => $made, 'changed' => $changed, 'links' => $links];
        });
    }

    /** @return iterable<string> lines of CSV */
    public function export(Site $site): iterable
    {
        yield implode(',', VisitorRows::COLUMNS)."\r\n";
        foreach (Visitor::query()->where('site_id', $site->id)->orderByRaw('lower(name), id')->cursor() as $visitor) {
            yield VisitorRows::write($visitor->email, $visitor->name, $visitor->roles);
        }
    }

    /** @return array<string, mixed> */
    public static function shown(Visitor $visitor): array
    {
        return [
            'id' => $visitor->id,
            'name' => $visitor->name,
            'email' => $visitor->email,
            'roles' => $visitor->roles,
            'state' => $visitor->state(),
            'last' => $visitor->last_at?->toIso8601ZuluString(),
        ];
    }

    /** @param  list<string>  $roles */
    private function begin(Site $site, string $name, string $mail, array $roles): Visitor
    {
        $visitor = Visitor::query()->create([
            'site_id' => $site->id,
            'name' => $name,
            'email' => $mail,
            'roles' => $roles,
            'password' => bin2hex(random_bytes(32)),
            'admitted_at' => now(),
        ]);

        return $visitor->refresh();
    }

    /** @return array<string, mixed> */
    private static function object(SignUp $signUp): array
    {
        return [...$signUp->toArray(), 'byDomain' => (object) $signUp->byDomain];
    }
}
