<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\Attributes\Test;
use Tests\App\WebServer;

/** The site behind a web server that ends https with a certificate made for it, asked by a client that looks at the certificate. */
final class HttpsTest extends Errand
{
    private WebServer $front;

    private string $before;

    protected function setUp(): void
    {
        parent::setUp();
        $this->front = WebServer::inFrontOf($this->ferries(''));
        $this->before = (string) $this->database()->query("select origin from sites where key = 'ferries'")->fetchColumn();
        $this->setOrigin($this->front->secureOrigin());
    }

    protected function tearDown(): void
    {
        $this->setOrigin($this->before);
        $this->front->stop();
        parent::tearDown();
    }

    #[Test]
    public function http_leads_to_https_in_one_hop_and_who_signs_in_there_is_known_by_https_alone(): void
    {
        $secure = $this->front->secureOrigin();
        [$status, $head] = $this->ask("$secure/travel/fares");
        self::assertSame(200, $status);
        self::assertStringContainsString('strict-transport-security: max-age=31536000', strtolower($head));
        foreach (
            [
                '/travel/fares' => '/travel/fares',
                '/sailings' => '/news',
                '/travel/fares/?from=poster' => '/travel/fares?from=poster',
                '/nowhere' => '/nowhere',
            ] as $asked => $leads
        ) {
            [$status, $head] = $this->ask($this->front->origin().$asked);
            self::assertSame(301, $status, $asked);
            self::assertStringContainsString("\nLocation: $secure$leads\r\n", $head);
            self::assertStringNotContainsStringIgnoringCase('strict-transport-security', $head);
        }
        [$status, $head] = $this->ask("$secure/_account/sign-in", ['mail' => 'eilidh@skerrivane.example', 'password' => 'gannet-by-evening']);
        self::assertSame(303, $status, $head);
        self::assertMatchesRegularExpression('/\nSet-Cookie: [^\n]*; secure[;\r]/i', $head);
    }

    #[Test]
    public function a_client_that_does_not_know_the_certificate_is_not_answered(): void
    {
        $curl = curl_init($this->front->secureOrigin().'/');
        curl_setopt($curl, CURLOPT_RETURNTRANSFER, true);
        self::assertFalse(curl_exec($curl));
    }

    /**
     * @param  array<string, string>  $form
     * @return array{int, string} status and head
     */
    private function ask(string $url, array $form = []): array
    {
        $curl = curl_init($url);
        curl_setopt_array($curl, [
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_HEADER => true,
            CURLOPT_PATH_AS_IS => true,
            CURLOPT_CAINFO => $this->front->certificate(),
        ]);
        if ($form !== []) {
            curl_setopt($curl, CURLOPT_POSTFIELDS, http_build_query($form));
        }
        $answer = (string) curl_exec($curl);
        self::assertSame('', curl_error($curl));

        return [(int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE), substr($answer, 0, (int) curl_getinfo($curl, CURLINFO_HEADER_SIZE))];
    }

    private function setOrigin(string $origin): void
    {
        $this->database()
            ->prepare("update sites set origin = ? where key = 'ferries'")
            ->execute([$origin]);
    }
}
