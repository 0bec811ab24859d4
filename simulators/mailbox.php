<?php

declare(strict_types=1);

// A mailbox that stands in for everybody's: takes in mail by SMTP (RFC 5321) on one port of this machine, and shows it on another.
// php simulators/mailbox.php SMTP-PORT PAGE-PORT FILE
[, $smtpPort, $pagePort, $file] = [...$argv, '', '', ''];
$smtp = stream_socket_server("tcp://127.0.0.1:$smtpPort") ?: exit(1);
$page = stream_socket_server("tcp://127.0.0.1:$pagePort") ?: exit(1);
@mkdir(dirname($file), 0750, true);

/** Mail that is being told, by connection: what was said so far, and whether the letter itself is. */
$talks = [];

$say = static fn ($to, string $line) => @fwrite($to, "$line\r\n");

$read = static function (string $raw): array {
    [$head, $body] = [...explode("\r\n\r\n", $raw, 2), ''];
    $fields = [];
    foreach (preg_split('/\r\n(?![ \t])/', $head) ?: [] as $line) {
        [$name, $value] = [...explode(':', $line, 2), ''];
        $fields[strtolower($name)] = iconv_mime_decode(trim(preg_replace('/\r\n[ \t]+/', ' ', $value) ?? ''), 0, 'UTF-8') ?: '';
    }
    $body = match (strtolower($fields['content-transfer-encoding'] ?? '')) {
        'quoted-printable' => quoted_printable_decode($body),
        'base64' => (string) base64_decode($body),
        default => $body,
    };

    return [
        'at' => date('c'),
        'from' => $fields['from'] ?? '',
        'to' => $fields['to'] ?? '',
        'subject' => $fields['subject'] ?? '',
        'text' => str_replace("\r\n", "\n", trim($body)),
    ];
};

/** @return bool whether the connection goes on */
$told = static function ($from, array &$talk, string $line) use ($say, $read, $file): bool {
    if ($talk['isLetter']) {
        if ($line !== '.') {
            $talk['letter'] .= (str_starts_with($line, '.') ? substr($line, 1) : $line)."\r\n";

            return true;
        }
        file_put_contents(
            $file,
            json_encode($read($talk['letter']), JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE)."\n",
            FILE_APPEND | LOCK_EX,
        );
        $talk = ['isLetter' => false, 'letter' => '', 'rest' => $talk['rest']];
        $say($from, '250 Taken in');

        return true;
    }
    $verb = strtoupper(strtok($line, ' ') ?: '');
    $talk['isLetter'] = $verb === 'DATA';
    $say(
        $from,
        match ($verb) {
            'EHLO', 'HELO' => '250 mailbox',
            'MAIL', 'RCPT', 'RSET', 'NOOP' => '250 OK',
            'DATA' => '354 Go on, and end with a dot',
            'QUIT' => '221 Bye',
            default => '502 Not known here',
        },
    );

    return $verb !== 'QUIT';
};

$shown = static function (string $path) use ($file): string {
    $mails = array_reverse(
        array_filter(array_map(static fn (string $line): mixed => json_decode($line, true), is_file($file) ? (file($file) ?: []) : [])),
    );
    if ($path === '/mails.json') {
        return "Content-Type: application/json\r\n\r\n".json_encode($mails, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }
    $letters = '';
    foreach ($mails as $mail) {
        $text = preg_replace('#https?://\S+#', '<a href="$0">$0</a>', htmlspecialchars($mail['text']));
        $letters .=
            '<article><h2>'.
            htmlspecialchars($mail['subject']).
            '</h2><p>to '.
            htmlspecialchars($mail['to']).
            ', '.
            htmlspecialchars($mail['at']).
            "</p><pre>$text</pre></article>";
    }

    return "Content-Type: text/html; charset=utf-8\r\n\r\n".
        '<!doctype html><html lang="en"><title>Mailbox of the demo</title><style>body{font:16px/1.5 system-ui,sans-serif;max-width:42rem;margin:3rem auto;padding:0 1rem;color:#16262f;background:#fcfaf6}article{border-top:1px solid #d8d2c4;padding:.5rem 0 1rem}h2{margin:.5rem 0 0;font-size:1.1rem}p{margin:0;color:#5b6870;font-size:.85rem}pre{white-space:pre-wrap;overflow-wrap:anywhere;font:inherit}</style>'.
        '<h1>Mailbox of the demo</h1><p>What the demo would have sent by mail, to whomever.</p>'.
        ($letters === '' ? '<article><p>Nothing has been sent yet.</p></article>' : $letters);
};

for (; ;) {
    $ready = [$smtp, $page, ...array_column($talks, 'with')];
    [$none, $never] = [null, null];
    if (stream_select($ready, $none, $never, null) === false) {
        continue;
    }
    foreach ($ready as $one) {
        if ($one === $smtp || $one === $page) {
            $with = @stream_socket_accept($one, 0);
            if ($with !== false) {
                $talks[(int) $with] = ['with' => $with, 'isPage' => $one === $page, 'said' => ['isLetter' => false, 'letter' => '', 'rest' => '']];
                $one === $smtp && $say($with, '220 mailbox ESMTP');
            }

            continue;
        }
        $talk = &$talks[(int) $one];
        $heard = fread($one, 65536);
        $goesOn = $heard !== false && $heard !== '';
        $talk['said']['rest'] .= (string) $heard;
        if ($talk['isPage'] && str_contains($talk['said']['rest'], "\r\n\r\n")) {
            fwrite(
                $one,
                "HTTP/1.1 200 OK\r\nConnection: close\r\nCache-Control: no-store\r\n".$shown(explode(' ', $talk['said']['rest'])[1] ?? '/'),
            );
            $goesOn = false;
        }
        while ($goesOn && ! $talk['isPage'] && ($end = strpos($talk['said']['rest'], "\r\n")) !== false) {
            $line = substr($talk['said']['rest'], 0, $end);
            $talk['said']['rest'] = substr($talk['said']['rest'], $end + 2);
            $goesOn = $told($one, $talk['said'], $line);
        }
        unset($talk);
        if (! $goesOn) {
            fclose($one);
            unset($talks[(int) $one]);
        }
    }
}
