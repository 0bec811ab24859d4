<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Code;

use Heronstem\Core\InputRefused;
use Sabberworm\CSS\CSSList\AtRuleBlockList;
use Sabberworm\CSS\CSSList\CSSList;
use Sabberworm\CSS\CSSList\KeyFrame;
use Sabberworm\CSS\OutputFormat;
use Sabberworm\CSS\Parser;
use Sabberworm\CSS\Parsing\SourceException;
use Sabberworm\CSS\Property\AtRule;
use Sabberworm\CSS\Property\Selector;
use Sabberworm\CSS\RuleSet\AtRuleSet;
use Sabberworm\CSS\RuleSet\DeclarationBlock;
use Sabberworm\CSS\Settings;

/**
 * Styles of one page: parsed (CSS Syntax Module Level 3), and held to what is in the page, so that menus and footer stay as the
 * design has them. They load nothing from elsewhere.
 */
final class ScopedStyles
{
    /** Longest text, characters. */
    public const LONGEST = 40_000;

    /** What styles of a page are held to. */
    private const WITHIN = '#site-content';

    /** Names that mean the whole page, and here the part of it that is styled. */
    private const WHOLE = '/^(?::root|html|body)(?![\w-])/i';

    private const BLOCKS = ['media', 'supports', 'container'];

    /**
     * @return string the same rules held to the page; empty for none
     *
     * @throws InputRefused naming `styles`, with the line where it is known
     */
    public static function of(string $css): string
    {
        if (mb_strlen($css) > self::LONGEST) {
            throw new InputRefused('styles', sprintf('At most %d characters fit here; these are %d.', self::LONGEST, mb_strlen($css)));
        }
        if (! mb_check_encoding($css, 'UTF-8') || str_contains($css, "\0") || preg_match('#</?style|<!--|-->#i', $css) === 1) {
            throw new InputRefused('styles', 'Styles have no marks of HTML in them.');
        }
        $bare = (string) preg_replace('#/\*.*?\*/|"(?:[^"\\\\]|\\\\.)*"|\'(?:[^\'\\\\]|\\\\.)*\'#s', '', $css);
        if (substr_count($bare, '{') !== substr_count($bare, '}')) {
            throw new InputRefused('styles', 'There are not as many closing braces as opening ones.');
        }
        try {
            $document = (new Parser($css, Settings::create()->beStrict()))->parse();
            self::hold($document);

            return trim($document->render(OutputFormat::createCompact()));
        } catch (SourceException $wrong) {
            throw new InputRefused('styles', self::inWords($wrong));
        }
    }

    private static function hold(CSSList $list): void
    {
        foreach ($list->getContents() as $each) {
            $line = method_exists($each, 'getLineNumber') ? $each->getLineNumber() : null;
            if ($each instanceof KeyFrame) {
                continue;
            }
            if ($each instanceof DeclarationBlock) {
                $each->setSelectors(array_map(self::held(...), $each->getSelectors()), $list);
                self::guardDeclarations($each, $line);
            } elseif ($each instanceof AtRuleBlockList && in_array(strtolower($each->atRuleName()), self::BLOCKS, true)) {
                self::hold($each);
            } elseif ($each instanceof AtRuleSet && strtolower($each->atRuleName()) === 'font-face') {
                self::guardDeclarations($each, $line);
            } else {
                $name = $each instanceof AtRule ? '@'.$each->atRuleName() : 'This rule';
                throw new InputRefused(
                    'styles',
                    self::at($line).
                        "$name has no place in the styles of a page. These have: @media, @supports, @container, @keyframes, @font-face.",
                );
            }
        }
    }

    private static function held(Selector $selector): string
    {
        $text = trim($selector->getSelector());
        $inside = preg_replace(self::WHOLE, self::WITHIN, $text, 1, $isWhole);

        return $isWhole === 1 ? (string) $inside : self::WITHIN." $text";
    }

    private static function guardDeclarations(DeclarationBlock|AtRuleSet $block, ?int $line): void
    {
        foreach ($block->getDeclarations() as $declaration) {
            $value =
                (string) ($declaration->getValue() instanceof \Stringable || is_string($declaration->getValue())
                    ? $declaration->getValue()
                    : $declaration->getValue()?->render(OutputFormat::createCompact()));
            if (preg_match('/expression\s*\(|javascript:|-moz-binding|behavior\s*:/i', $value) === 1) {
                throw new InputRefused('styles', self::at($line).'Styles cannot run scripts.');
            }
            preg_match_all('/url\(\s*(["\']?)(.*?)\1\s*\)/i', $value, $urls);
            foreach ($urls[2] as $url) {
                if (! OnSite::leads($url)) {
                    throw new InputRefused(
                        'styles',
                        self::at($line)."“{$url}” leads elsewhere. Upload the file, and write its address on this site, beginning with a slash.",
                    );
                }
            }
        }
    }

    private static function at(?int $line): string
    {
        return $line === null || $line < 1 ? '' : "Line $line: ";
    }

    private static function inWords(SourceException $wrong): string
    {
        $line = $wrong->getLineNumber();

        return ($line < 1 ? '' : "Line $line: ").
            'this is no CSS that could be read. '.
            mb_substr((string) preg_replace('/\s*\[line no: \d+\]/', '', $wrong->getMessage()), 0, 200);
    }
}
