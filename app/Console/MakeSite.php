<?php

declare(strict_types=1);

namespace App\Console;

use App\Desk\AccountLinks;
use App\Desk\MakeSite as Making;
use App\Models\Site;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\Origin;
use Heronstem\Core\Address\TrailingSlash;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Refusal;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** For scripts: the same command once more leaves the site as it is, and says so. */
final class MakeSite extends Command
{
    protected $signature = 'heronstem:make-site
        {key : by which the site is named on the command line and in the editor}
        {--name= : of the site}
        {--origin= : where it is reached, such as https://www.skerrivane.example}
        {--owner= : mail address of its first owner}
        {--owner-name= : what they are called, where they have no account yet}
        {--language=en-GB}
        {--zone=UTC : IANA name of its time zone}
        {--trailing-slash : its addresses end in a slash}
        {--suffix= : its addresses end in this, such as .html}
        {--design= : folder of its design; the one that ships, unless given}';

    protected $description = 'Make a site, and its first owner. Made already, it is left as it is';

    public function handle(Making $making, AccountLinks $links): int
    {
        try {
            $key = (string) $this->argument('key');
            $known = Site::query()->where('key', $key)->first();
            if ($known !== null) {
                return $this->leave($known);
            }
            $given = [];
            foreach (['name', 'origin', 'owner'] as $option) {
                $given[$option] = $this->option($option) ?: throw new InputRefused($option, "Say it with --$option.");
            }
            $rules = new AddressRules(
                $this->option('trailing-slash') ? TrailingSlash::Always : TrailingSlash::Never,
                (string) $this->option('suffix'),
            );
            // An account is made with the site or not at all.
            [$site, $owner] = DB::transaction(function () use ($making, $given, $key, $rules): array {
                $owner = $making->owner($given['owner'], $this->option('owner-name'));
                $language = (string) $this->option('language');

                return [
                    $making->make(
                        $key,
                        $given['name'],
                        $given['origin'],
                        $language,
                        (string) $this->option('zone'),
                        $rules,
                        $owner,
                        (string) $this->option('design'),
                    ),
                    $owner,
                ];
            });
        } catch (Refusal $refused) {
            $this->error("{$refused->field}: {$refused->reason}");

            return self::FAILURE;
        }
        $this->line("Made {$site->name} at {$site->origin}, with {$owner->name} as its owner.");
        if ($owner->joined_at === null && $owner->wasRecentlyCreated) {
            $this->line('They set a password here, within seven days: '.$links->make($owner, AccountLinks::INVITATION, (string) config('app.url')));
        }

        return self::SUCCESS;
    }

    private function leave(Site $site): int
    {
        $origin = $this->option('origin');
        if (is_string($origin) && $origin !== '' && Origin::read($origin)->toText() !== $site->origin) {
            throw new InputRefused('origin', "There is a site “{$site->key}” already, and it is reached at {$site->origin}.");
        }
        $this->line("{$site->name} is there already, at {$site->origin}.");

        return self::SUCCESS;
    }
}
