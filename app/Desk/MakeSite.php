<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\Accounts\Happened;
use App\Desk\Accounts\SecurityLog;
use App\Desk\Design\SiteDesign;
use App\Models\Membership;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Access\MailAddress;
use Heronstem\Core\Access\PersonName;
use Heronstem\Core\Access\Role;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\Origin;
use Heronstem\Core\Address\SiteKey;
use Heronstem\Core\InputRefused;
use Heronstem\Core\OneLine;
use Illuminate\Database\Connection;

/** Makes a site with its first owner. It begins with the ready-made roles, and a menu that is filled from the tree. */
final readonly class MakeSite
{
    /** Longest name, in characters. */
    private const MAX_NAME = 100;

    public function __construct(private Connection $db, private SecurityLog $log)
    {
    }

    /**
     * @param  string  $language  a language tag such as en-GB
     * @param  string  $zone  IANA name
     *
     * @throws InputRefused naming the field
     */
    public function make(
        string $key,
        string $name,
        string $origin,
        string $language,
        string $zone,
        ?AddressRules $rules,
        User $owner,
        string $design = '',
    ): Site {
        $fields = [
            'key' => SiteKey::read($key),
            'name' => self::named($name),
            'origin' => Origin::read($origin)->toText(),
            'language' => self::language($language),
            'zone' => self::zone($zone),
            'design' => $design === '' || in_array($design, SiteDesign::all(), true)
                    ? $design
                    : throw new InputRefused(
                        'design',
                        'A design is one of '.implode(', ', SiteDesign::all()).', or empty for the one that ships.',
                    ),
        ];
        $rules ??= new AddressRules();

        return $this->db->transaction(function () use ($fields, $rules, $owner): Site {
            // Two who make a site at one moment are looked at one after the other.
            $this->db->select("select pg_advisory_xact_lock(hashtext('heronstem.sites'))");
            if (Site::withTrashed()->where('key', $fields['key'])->exists()) {
                throw new InputRefused('key', "There is a site with the key “{$fields['key']}” already. Choose another one.");
            }
            $this->guardOrigin(Origin::read($fields['origin']));
            $site = Site::query()
                ->create([
                    ...$fields,
                    'trailing_slash' => $rules->trailingSlash->value,
                    'suffix' => $rules->suffix,
                    'case_sensitive' => $rules->caseSensitive,
                    'native_letters' => $rules->nativeLetters,
                ])
                ->refresh();
            Membership::begin($site, $owner, Role::OWNER);
            $this->log->note(Happened::SiteMade, $owner, site: $site, detail: $site->origin);

            return $site->refresh();
        });
    }

    /** A key that nobody has, like the name of a site. */
    public function freeKey(string $name): string
    {
        $like = SiteKey::like($name);
        $taken = Site::withTrashed()->pluck('key')->flip();
        for ($n = 1; ; $n++) {
            $key = $n === 1 ? $like : SiteKey::next($like, $n);
            if (! isset($taken[$key])) {
                return $key;
            }
        }
    }

    /** Somebody by their mail address: who they are already, or an account that waits for them to set a password. */
    public function owner(string $mail, ?string $name): User
    {
        $address = MailAddress::read($mail, 'owner');

        return User::query()->where('email', $address)->first() ??
            User::query()
                ->create([
                    'name' => PersonName::read($name ?? (string) strstr($address, '@', true), 'ownerName'),
                    'email' => $address,
                    'password' => bin2hex(random_bytes(32)),
                ])
                ->refresh();
    }

    private function guardOrigin(Origin $origin): void
    {
        foreach (Site::withTrashed()->get(['name', 'origin', 'deleted_at']) as $other) {
            if (Origin::read($other->origin)->isAnsweredWith($origin)) {
                if ($other->deleted_at !== null) {
                    throw new InputRefused(
                        'origin',
                        "“{$other->name}”, in the bin since {$other->deleted_at->format(
                            'j F',
                        )}, was reached there. Bring it back, or choose another address until it is deleted for good.",
                    );
                }
                throw new InputRefused('origin', "“{$other->name}” is reached there already. A host is one site, by http and by https.");
            }
        }
        $editor = (string) config('app.url');
        if (str_contains($editor, '://') && Origin::read($editor)->isAnsweredWith($origin)) {
            throw new InputRefused('origin', 'The editor is reached there. A site has a host, or a port, of its own.');
        }
    }

    private static function named(string $typed): string
    {
        $name = OneLine::typed($typed);

        return $name !== '' && mb_strlen($name) <= self::MAX_NAME
            ? $name
            : throw new InputRefused('name', sprintf('A site has a name of 1 to %d characters.', self::MAX_NAME));
    }

    /** The shape of a tag, and a language that is known by name (BCP 47, CLDR). */
    private static function language(string $typed): string
    {
        $tag = trim($typed);
        $isTag = preg_match('/^[A-Za-z]{2,3}(?:-[A-Za-z]{4})?(?:-(?:[A-Za-z]{2}|[0-9]{3}))?$/D', $tag) === 1;
        $primary = $isTag ? (string) \Locale::getPrimaryLanguage($tag) : '';
        if (! $isTag || \Locale::getDisplayLanguage($primary, 'en') === $primary) {
            throw new InputRefused('language', 'A language is a tag such as en-GB, de or nb-NO.', 'en-GB');
        }

        return str_replace('_', '-', (string) \Locale::canonicalize($tag));
    }

    private static function zone(string $typed): string
    {
        return in_array($typed, timezone_identifiers_list(), true)
            ? $typed
            : throw new InputRefused('zone', 'A time zone has a name such as Europe/London.', 'Europe/London');
    }
}
