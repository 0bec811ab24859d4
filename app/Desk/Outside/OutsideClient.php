<?php

declare(strict_types=1);

namespace App\Desk\Outside;

use Heronstem\Core\Linking\OutsideAttempt;
use League\Uri\BaseUri;
use Symfony\Component\HttpClient\HttpClient;
use Symfony\Component\HttpClient\NoPrivateNetworkHttpClient;
use Symfony\Contracts\HttpClient\Exception\ExceptionInterface;
use Symfony\Contracts\HttpClient\Exception\TransportExceptionInterface;
use Symfony\Contracts\HttpClient\HttpClientInterface;
use Symfony\Contracts\HttpClient\ResponseInterface;

/**
 * Asks other sites: never one in a private network, so that no page can make the server look around at home. Hosts of the
 * reserved domain `.example` (RFC 2606) are asked of a stand-in, where one is set.
 */
final class OutsideClient
{
    private const MAX_REDIRECTS = 5;

    /** Answers to HEAD after which GET may say something else. */
    private const HEAD_IS_NOT_ANSWERED = [400, 403, 404, 405, 501];

    private ?HttpClientInterface $made = null;

    public function __construct(private readonly ?HttpClientInterface $given = null, private readonly ?string $standIn = null)
    {
    }

    /** One look at a URL, following its redirects. */
    public function try(string $url): OutsideAttempt
    {
        $isPermanent = true;
        for ($at = $url, $hops = 0; $hops <= self::MAX_REDIRECTS; $hops++) {
            try {
                $response = $this->ask($at);
                $status = $response->getStatusCode();
                $headers = $response->getHeaders(false);
            } catch (TransportExceptionInterface $fault) {
                return str_contains($fault->getMessage(), 'is blocked for')
                    ? new OutsideAttempt(null, isForbidden: true)
                    : new OutsideAttempt(null, self::inWords($fault->getMessage()));
            } catch (ExceptionInterface) {
                return new OutsideAttempt(null, 'This is no address that can be asked.');
            }
            $location = $headers['location'][0] ?? '';
            if ($status < 300 || $status >= 400 || $location === '') {
                return new OutsideAttempt(
                    $status,
                    permanentlyAt: $hops > 0 && $isPermanent ? $at : null,
                    retryAfter: self::seconds($headers['retry-after'][0] ?? ''),
                );
            }
            $isPermanent = $isPermanent && in_array($status, [301, 308], true);
            try {
                $at = (string) BaseUri::from($at)->resolve($location)->getUri();
            } catch (\Throwable) {
                return new OutsideAttempt(null, 'It redirects to something that is no address.');
            }
            if (preg_match('#^https?://#i', $at) !== 1) {
                return new OutsideAttempt(null, 'It redirects to something that is no web address.');
            }
        }

        return new OutsideAttempt(null, 'It redirects more than five times.');
    }

    /** What stands at a URL, following up to three redirects; null where that is nothing, or more than so many bytes. */
    public function read(string $url, int $most): ?string
    {
        return $this->document($url, $most)?->body;
    }

    /** The same, with its type and where it stands. */
    public function document(string $url, int $most): ?OutsideDocument
    {
        for ($at = $url, $hops = 0; $hops <= 3; $hops++) {
            try {
                $response = $this->request('GET', $at, [
                    'on_progress' => static fn (int $loaded) => $loaded <= $most ? null : throw new \LengthException(),
                ]);
                $status = $response->getStatusCode();
                $headers = $response->getHeaders(false);
                $location = $headers['location'][0] ?? '';
                if ($status >= 300 && $status < 400 && $location !== '') {
                    $at = (string) BaseUri::from($at)->resolve($location)->getUri();

                    continue;
                }

                return $status === 200 ? new OutsideDocument($at, $headers['content-type'][0] ?? '', $response->getContent(false)) : null;
            } catch (\Throwable) {
                return null;
            }
        }

        return null;
    }

    /**
     * Sends JSON to a service that the operator chose.
     *
     * @param  array<string, mixed>  $message
     * @return array{int|null, int|null} status, and seconds that are asked to be waited; null where there is none
     */
    public function send(string $endpoint, array $message): array
    {
        try {
            $client = $this->given ?? HttpClient::create();
            $response = $client->request('POST', $endpoint, [
                'body' => json_encode($message, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES),
                'headers' => ['Content-Type' => 'application/json; charset=utf-8'],
                'max_redirects' => 0,
                'timeout' => 10,
                'max_duration' => 20,
            ]);

            return [$response->getStatusCode(), self::seconds($response->getHeaders(false)['retry-after'][0] ?? '')];
        } catch (ExceptionInterface) {
            return [null, null];
        }
    }

    private function ask(string $url): ResponseInterface
    {
        $response = $this->request('HEAD', $url);
        if (in_array($response->getStatusCode(), self::HEAD_IS_NOT_ANSWERED, true)) {
            $response = $this->request('GET', $url);
            $response->getStatusCode();
            // What is there is not read.
            $response->cancel();
        }

        return $response;
    }

    /** @param  array<string, mixed>  $more  options */
    private function request(string $method, string $url, array $more = []): ResponseInterface
    {
        $options = [
            ...$more,
            'max_redirects' => 0,
            'timeout' => 10,
            'max_duration' => 15,
            'headers' => ['User-Agent' => 'Heronstem link check', 'Accept' => '*/*'],
        ];
        if ($this->standIn !== null && preg_match('#^https?://([^/?\#]+\.example)(?=[/?\#]|$)(.*)$#i', $url, $parts) === 1) {
            return ($this->given ?? HttpClient::create())->request(
                $method,
                "{$this->standIn}/".strtolower($parts[1]).(str_starts_with($parts[2], '/') ? '' : '/').$parts[2],
                $options,
            );
        }

        return ($this->made ??= new NoPrivateNetworkHttpClient($this->given ?? HttpClient::create()))->request($method, $url, $options);
    }

    private static function inWords(string $fault): string
    {
        return match (true) {
            preg_match('/could not resolve|resolve host/i', $fault) === 1 => 'There is no such host.',
            preg_match('/timeout|timed out|max duration/i', $fault) === 1 => 'It does not answer in time.',
            preg_match('/ssl|certificate|tls/i', $fault) === 1 => 'Its certificate is not valid.',
            default => 'It cannot be reached.',
        };
    }

    /** Seconds of a Retry-After, which may be a date (RFC 9110, 10.2.3). */
    private static function seconds(string $retryAfter): ?int
    {
        $until = ctype_digit($retryAfter) ? null : strtotime($retryAfter);

        return match (true) {
            ctype_digit($retryAfter) => (int) substr($retryAfter, 0, 9),
            is_int($until) => max(0, $until - time()),
            default => null,
        };
    }
}
