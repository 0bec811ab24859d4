<?php

declare(strict_types=1);

namespace App\Desk\Outside;

use App\Desk\Files\UploadPicture;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Content\OEmbed;
use Heronstem\Core\InputRefused;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Validation\ValidationException;

/** Asks a site about one of its films, once: what it says is kept, with the picture for it, so that visitors ask nobody. */
final readonly class LookUpFilm
{
    private const MAX_ANSWER = 200_000;

    private const MAX_PICTURE = 8_000_000;

    public function __construct(private OutsideClient $client, private ConnectionInterface $db, private UploadPicture $pictures)
    {
    }

    /**
     * @return array{address: string, title: string, poster: string|null}
     *
     * @throws InputRefused naming `address`
     */
    public function at(string $address, Site $site, User $user): array
    {
        $address = trim($address);
        $oEmbed = self::sites();
        $question = $oEmbed->question($address);
        if ($question === null) {
            throw new InputRefused(
                'address',
                'Videos of this site cannot be shown here. Supported sites: '.
                    (implode(', ', $oEmbed->names()) ?: 'none').
                    '. Link to the video instead.',
            );
        }
        $answer = $this->client->read($question, self::MAX_ANSWER);
        $said = $answer === null ? null : $oEmbed->answer($address, $answer);
        if ($said === null) {
            throw new InputRefused(
                'address',
                $answer === null
                    ? 'The site does not answer, or has no video there. Check the address, or try again later.'
                    : 'What the site says of this is not a video that can be shown.',
            );
        }
        $poster = $this->kept($site, $address) ?? $this->poster($said['picture'], $said['title'], $site, $user);
        $this->db->statement(
            'insert into films (site_id, address, frame, width, height, title, poster) values (?, ?, ?, ?, ?, ?, ?)
                on conflict (site_id, address) do update set frame = excluded.frame, width = excluded.width, height = excluded.height,
                    title = excluded.title, poster = excluded.poster, asked_at = now()',
            [$site->id, $address, $said['film']->frame, $said['film']->width, $said['film']->height, $said['title'], $poster],
        );

        return ['address' => $address, 'title' => $said['title'], 'poster' => $poster];
    }

    public static function sites(): OEmbed
    {
        $file = config('heronstem.design').'/films.json';

        return new OEmbed(is_file($file) ? json_decode((string) file_get_contents($file), true, flags: JSON_THROW_ON_ERROR) : []);
    }

    /** The picture that was taken in when the film was looked up before. */
    private function kept(Site $site, string $address): ?string
    {
        $poster = $this->db->table('films')->where('site_id', $site->id)->where('address', $address)->value('poster');

        return is_string($poster) ? $poster : null;
    }

    private function poster(?string $url, string $title, Site $site, User $user): ?string
    {
        $bytes = $url === null ? null : $this->client->read($url, self::MAX_PICTURE);
        try {
            return $bytes === null ? null : $this->pictures->upload($site, $user, "$title.png", $bytes, 'Films')->ulid;
        } catch (ValidationException) {
            return null;
        }
    }
}
