<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/**
 * A drawing in SVG (W3C SVG 2, static mode) with nothing in it that runs, loads or leads anywhere: elements and attributes that
 * draw are kept, everything else is left out.
 */
final class CleanSvg
{
    private const SVG = 'http://www.w3.org/2000/svg';

    private const XLINK = 'http://www.w3.org/1999/xlink';

    private const MAX_NODES = 20_000;

    private const ELEMENTS = [
        'svg',
        'g',
        'defs',
        'symbol',
        'use',
        'title',
        'desc',
        'path',
        'rect',
        'circle',
        'ellipse',
        'line',
        'polyline',
        'polygon',
        'text',
        'tspan',
        'linearGradient',
        'radialGradient',
        'stop',
        'clipPath',
        'mask',
        'pattern',
        'marker',
        'switch',
    ];

    private const ATTRIBUTES = [
        'id',
        'class',
        'viewBox',
        'width',
        'height',
        'x',
        'y',
        'x1',
        'y1',
        'x2',
        'y2',
        'cx',
        'cy',
        'r',
        'rx',
        'ry',
        'fx',
        'fy',
        'd',
        'points',
        'dx',
        'dy',
        'rotate',
        'textLength',
        'lengthAdjust',
        'transform',
        'gradientTransform',
        'gradientUnits',
        'spreadMethod',
        'offset',
        'patternTransform',
        'patternUnits',
        'patternContentUnits',
        'clipPathUnits',
        'maskUnits',
        'maskContentUnits',
        'markerWidth',
        'markerHeight',
        'markerUnits',
        'refX',
        'refY',
        'orient',
        'preserveAspectRatio',
        'version',
        'fill',
        'fill-opacity',
        'fill-rule',
        'stroke',
        'stroke-width',
        'stroke-opacity',
        'stroke-linecap',
        'stroke-linejoin',
        'stroke-miterlimit',
        'stroke-dasharray',
        'stroke-dashoffset',
        'opacity',
        'color',
        'stop-color',
        'stop-opacity',
        'clip-path',
        'clip-rule',
        'mask',
        'marker-start',
        'marker-mid',
        'marker-end',
        'font-family',
        'font-size',
        'font-weight',
        'font-style',
        'text-anchor',
        'dominant-baseline',
        'letter-spacing',
        'display',
        'visibility',
        'vector-effect',
        'paint-order',
        'role',
        'aria-label',
        'aria-hidden',
    ];

    /**
     * @return array{svg: string, width: int, height: int} the drawing and its size, px
     *
     * @throws InvalidDocument when it is no drawing that can be read, or declares types or entities of its own
     */
    public static function of(string $bytes): array
    {
        if (preg_match('/<!(?:DOCTYPE[^>]*\[|ENTITY)/i', $bytes) === 1) {
            throw new InvalidDocument('file', 'This drawing declares entities of its own. Save it again as plain SVG.');
        }
        $given = new \DOMDocument();
        $before = libxml_use_internal_errors(true);
        $read = $bytes !== '' && $given->loadXML($bytes, LIBXML_NONET | LIBXML_NOERROR | LIBXML_NOWARNING);
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        $root = $given->documentElement;
        if (! $read || $root === null || $root->namespaceURI !== self::SVG || $root->localName !== 'svg') {
            throw new InvalidDocument('file', 'This is not an SVG drawing, or it is damaged. Save it again in the program it comes from.');
        }
        $clean = new \DOMDocument('1.0', 'UTF-8');
        $left = self::MAX_NODES;
        $svg = self::element($root, $clean, $left);
        $clean->appendChild($svg);
        [$width, $height] = self::size($svg);

        return ['svg' => (string) $clean->saveXML($svg), 'width' => $width, 'height' => $height];
    }

    private static function element(\DOMElement $given, \DOMDocument $to, int &$left): \DOMElement
    {
        if (--$left < 0) {
            throw new InvalidDocument('file', sprintf('This drawing has more than %s parts. Simplify it first.', number_format(self::MAX_NODES)));
        }
        $clean = $to->createElementNS(self::SVG, (string) $given->localName);
        foreach ($given->attributes as $attribute) {
            $isLink = $attribute->localName === 'href' && in_array($attribute->namespaceURI, [null, '', self::XLINK], true);
            if ($isLink && preg_match('/^#[\w.-]+$/D', trim($attribute->value)) === 1) {
                $clean->setAttribute('href', trim($attribute->value));
            } elseif (($attribute->namespaceURI ?? '') === '' && self::draws($attribute->localName ?? '', $attribute->value)) {
                $clean->setAttribute((string) $attribute->localName, $attribute->value);
            }
        }
        foreach ($given->childNodes as $node) {
            if ($node instanceof \DOMText) {
                $clean->appendChild($to->createTextNode($node->data));
            } elseif ($node instanceof \DOMElement && $node->namespaceURI === self::SVG && in_array($node->localName, self::ELEMENTS, true)) {
                $clean->appendChild(self::element($node, $to, $left));
            }
        }

        return $clean;
    }

    /** Whether an attribute only draws: a reference leads to a part of the drawing itself. */
    private static function draws(string $name, string $value): bool
    {
        $outside = (string) preg_replace('/url\(\s*(["\']?)#[\w.-]+\1\s*\)/i', '', $value);

        return in_array($name, self::ATTRIBUTES, true) && preg_match('/url\s*\(|javascript:|data:|expression|@import|\\\\/i', $outside) !== 1;
    }

    /** @return array{int, int} by width and height, else by the box it is drawn in */
    private static function size(\DOMElement $svg): array
    {
        $box = preg_split('/[\s,]+/', trim($svg->getAttribute('viewBox'))) ?: [];
        $length = static fn (string $name, int $at): int => preg_match('/^(\d+(?:\.\d+)?)(?:px)?$/D', trim($svg->getAttribute($name)), $of) === 1
            ? (int) round((float) $of[1])
            : (int) round((float) ($box[$at] ?? 0));

        return [min(10_000, max(1, $length('width', 2) ?: 300)), min(10_000, max(1, $length('height', 3) ?: 150))];
    }
}
