<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\Design\ReadLayouts;
use App\Desk\Design\SiteDesign;
use App\Models\Membership;
use App\Models\Page;
use App\Models\Role;
use App\Models\Site;
use App\Models\Visitor;
use Heronstem\Core\Visitors\SignUp;

/** What holds for a whole site, in one place: as it stands now, whoever sets it where. */
final readonly class ReadSettings
{
    public function __construct(private ReadMenus $menus, private ReadLayouts $layouts)
    {
    }

    /** @return array<string, mixed> */
    public function of(Site $site): array
    {
        $search = $site->searchSettings();
        $start = $this->menus->startPages($site);
        $rules = $site->rules();

        return [
            'names' => ['name' => $site->name, 'tagline' => $site->tagline],
            'design' => ['now' => $site->design, 'all' => SiteDesign::all()],
            'origin' => $site->origin,
            'language' => $site->language,
            'zone' => $site->zone,
            'rules' => [
                'trailingSlash' => $rules->trailingSlash->value,
                'suffix' => $rules->suffix,
                'caseSensitive' => $rules->caseSensitive,
                'nativeLetters' => $rules->nativeLetters,
            ],
            'startPages' => ['visitors' => $start['visitors']['name'] ?? null, 'signedIn' => $start['signedIn']['name'] ?? null],
            'layouts' => count($this->layouts->all()->keys()),
            'titlePattern' => $search->defaults->titlePattern,
            'robotsLines' => $search->robots === '' ? 0 : substr_count(trim($search->robots), "\n") + 1,
            'checksLinks' => $search->outside->checksLinks,
            'tellsEngines' => $search->outside->tellsEngines,
            'hasHead' => $search->head !== '',
            'people' => Membership::query()->where('site_id', $site->id)->whereNull('disabled_at')->count(),
            'roles' => Role::query()->where('site_id', $site->id)->count(),
            'gates' => Page::query()->where('site_id', $site->id)->whereNotNull('access')->where('state', '<>', 'bin')->count(),
            'visitors' => Visitor::query()->where('site_id', $site->id)->count(),
            'signUp' => SignUp::stored($site->sign_up)->open,
            'caching' => $site->keptFor()->toValue(),
        ];
    }
}
