<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Heronstem\Core\InputRefused;

/** XML that others wrote, read as a stream: no document types, so no entities, and nothing from elsewhere. */
final class SafeXml
{
    /** @throws InputRefused */
    public static function reader(string $xml, string $says): \XMLReader
    {
        if (preg_match('/<!DOCTYPE/i', str_replace("\0", '', substr($xml, 0, 100_000))) === 1) {
            throw new InputRefused('text', "$says: it declares a document type, which is not needed and not read. Take the line <!DOCTYPE …> out.");
        }
        $xml = ltrim($xml);
        if ($xml === '') {
            throw new InputRefused('text', "$says: it is empty.");
        }
        $reader = \XMLReader::XML($xml, null, LIBXML_NONET | LIBXML_COMPACT);

        return $reader instanceof \XMLReader ? $reader : throw new InputRefused('text', "$says.");
    }

    /** @throws InputRefused naming the line where it is not well-formed */
    public static function next(\XMLReader $reader, string $says): bool
    {
        $before = libxml_use_internal_errors(true);
        try {
            $isThere = @$reader->read();
            $error = $isThere ? null : libxml_get_last_error();
            if ($error !== false && $error !== null) {
                throw new InputRefused('text', sprintf('%s: line %d is not well-formed XML.', $says, $error->line));
            }
            if ($isThere && $reader->nodeType === \XMLReader::DOC_TYPE) {
                throw new InputRefused('text', "$says: it declares a document type, which is not needed and not read.");
            }

            return $isThere;
        } finally {
            libxml_clear_errors();
            libxml_use_internal_errors($before);
        }
    }
}
