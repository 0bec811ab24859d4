<?php

declare(strict_types=1);

namespace App\Desk\Outside;

use App\Desk\Files\UploadPicture;
use App\Models\File;
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
        $oEmbed = self::sites();
        $question = $oEmbed->question(trim($address));
        if ($question === null) {
            throw new InputRefused(
                'address',
                'Films of this site cannot be shown here. These can be asked: '.
                    (implode(', ', $oEmbed->names()) ?: 'none').
                    '. Link to the film instead.',
            );
        }
        $answer = $this->client->read($question, self::MAX_ANSWER);
        $said = $answer === null ? null : $oEmbed->answer(trim($address), $answer);
        if ($said === null) {
            throw new InputRefused(
                'address',
                $answer === null
                    ? 'The site does not answer, or knows no film there. Look at the address, or try again later.'
                    : 'What the site says of this is no film that can be shown.',
            );
        }
        $poster = $said['picture'] === null ? null : $this->poster($said['picture'], $said['title'], $site, $user)?->ulid;
        $this->db->statement(
            'insert into films (site_id, address, frame, width, height, title, poster) values (?, ?, ?, ?, ?, ?, ?)
                on conflict (site_id, address) do update set frame = excluded.frame, width = excluded.width, height = excluded.height, title = excluded.title, asked_at = now()',
            [$site->id, trim($address), $said['film']->frame, $said['film']->width, $said['film']->height, $said['title'], $poster],
        );
        $kept = $this->db->table('films')->where('site_id', $site->id)->where('address', trim($address))->value('poster');

        return ['address' => trim($address), 'title' => $said['title'], 'poster' => is_string($kept) ? $kept : $poster];
    }

    public static function sites(): OEmbed
    {
        $file = config('heronstem.design').'/films.json';

        return new OEmbed(is_file($file) ? json_decode((string) file_get_contents($file), true, flags: JSON_THROW_ON_ERROR) : []);
    }

    private function poster(string $url, string $title, Site $site, User $user): ?File
    {
        $known = $this->db->table('films')->where('site_id', $site->id)->where('title', $title)->value('poster');
        $bytes = is_string($known) ? null : $this->client->read($url, self::MAX_PICTURE);
        try {
            return $bytes === null ? null : $this->pictures->upload($site, $user, "$title.png", $bytes, 'Films');
        } catch (ValidationException) {
            return null;
        }
    }
}
