<?php

declare(strict_types=1);

namespace HonestCore\Reports;

use HonestCore\Error\BadTable;

/**
 * Soil-test results in the open interchange form of events, samples, depths and nutrient results, as XML or JSON, made
 * into the rows of a long table: sample, lab number, depth, analyte, value, unit, method.
 *
 * Domain: one document of up to 100,000 results; elements are found by name, whatever their namespace.
 * Source: the names of elements (EventSamples, SoilSample, SampleMetaData, DepthRef, NutrientResult and those in them)
 *   were written from memory of the published form; what a document has beside them is passed over.
 */
final class Interchange
{
    public const COLUMNS = ['sample', 'lab number', 'depth', 'analyte', 'value', 'unit', 'method'];

    private const MOST_BYTES = 40_000_000;

    public static function looksLike(string $bytes): bool
    {
        return preg_match('/^(\xEF\xBB\xBF)?\s*[<{]/', $bytes) === 1;
    }

    /**
     * @return non-empty-array<int, list<string>> records with a header in row 1
     *
     * @throws BadTable
     */
    public static function records(string $bytes): array
    {
        if (strlen($bytes) > self::MOST_BYTES) {
            throw new BadTable('document_too_large');
        }
        $text = (string) preg_replace('/^\xEF\xBB\xBF/', '', $bytes);
        $tree = str_starts_with(ltrim($text), '{') ? self::json($text) : self::xml($text);
        $rows = [1 => self::COLUMNS];
        foreach (self::all($tree, 'SoilSamples', 'SoilSample') as $sample) {
            $meta = self::one($sample, 'SampleMetaData');
            $code = self::first($meta, ['FMISSampleID', 'SampleID', 'SampleNumber', 'SampleContainerID']);
            $number = self::first($meta, ['LabSampleID', 'LabNumber', 'ReportID']);
            foreach (self::all($sample, 'Depths', 'Depth') as $depth) {
                $layer = self::depth($tree, self::first($depth, ['DepthID']));
                foreach (self::all($depth, 'NutrientResults', 'NutrientResult') as $result) {
                    $rows[] = [
                        $code,
                        $number,
                        $layer,
                        self::first($result, ['Element', 'Analyte']),
                        self::first($result, ['Value']),
                        self::first($result, ['ValueUnit', 'Unit']),
                        self::first($result, ['ModusTestID', 'TestID', 'Method']),
                    ];
                }
            }
        }

        return count($rows) > 1
            ? $rows
            : throw new BadTable('document_without_samples');
    }

    /**
     * @return array<mixed>
     *
     * @throws BadTable
     */
    private static function json(string $text): array
    {
        $tree = json_decode($text, true, 64);

        return is_array($tree) ? $tree : throw new BadTable('document_no_json');
    }

    /**
     * @return array<mixed>
     *
     * @throws BadTable
     */
    private static function xml(string $text): array
    {
        if (preg_match('/<!(DOCTYPE|ENTITY)/i', $text) === 1) {
            throw new BadTable('document_declares_types');
        }
        $before = libxml_use_internal_errors(true);
        $element = simplexml_load_string($text, \SimpleXMLElement::class, LIBXML_NONET);
        $problem = libxml_get_errors()[0] ?? null;
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        if ($element === false) {
            throw $problem === null
                ? new BadTable('document_no_xml')
                : new BadTable('document_breaks_off', ['line' => $problem->line]);
        }

        return [$element->getName() => self::tree($element, 0)];
    }

    /** @return array<mixed>|string */
    private static function tree(\SimpleXMLElement $element, int $depth): array|string
    {
        $tree = [];
        if ($depth < 30) {
            foreach ($element->xpath('./*') ?: [] as $child) {
                $tree[$child->getName()][] = self::tree($child, $depth + 1);
            }
        }

        return $tree === [] ? trim((string) $element) : $tree;
    }

    /**
     * Every object of a name under a list of a name, however deep and in either form.
     *
     * @return list<array<mixed>>
     */
    private static function all(mixed $tree, string $list, string $name): array
    {
        $found = [];
        foreach (is_array($tree) ? $tree : [] as $key => $value) {
            $isList =
                $key === $list && is_array($value) && array_is_list($value) && ! self::holds($value[0] ?? null, $name);
            $found = [
                ...$found,
                ...$key === $name || $isList ? self::members($value, $list, $name) : self::all($value, $list, $name),
            ];
        }

        return $found;
    }

    /** @return list<array<mixed>> one object or a list of them, and what each holds of the same name */
    private static function members(mixed $value, string $list, string $name): array
    {
        $found = [];
        $ones = is_array($value) && ! array_is_list($value) ? [$value] : $value;
        foreach (is_array($ones) ? $ones : [] as $one) {
            if (is_array($one)) {
                $found = [...$found, ...isset($one[$name]) ? self::all($one, $list, $name) : [$one]];
            }
        }

        return $found;
    }

    /** @return array<mixed> */
    private static function one(mixed $tree, string $name): array
    {
        $value = is_array($tree) ? $tree[$name] ?? [] : [];
        $value = is_array($value) && array_is_list($value) ? $value[0] ?? [] : $value;

        return is_array($value) ? $value : [];
    }

    /**
     * @param array<mixed> $from
     * @param list<string> $names
     */
    private static function first(array $from, array $names): string
    {
        foreach ($names as $name) {
            $value = $from[$name] ?? null;
            $value = is_array($value) && array_is_list($value) ? $value[0] ?? null : $value;
            if (is_scalar($value) && trim((string) $value) !== '') {
                return mb_substr(trim((string) $value), 0, 200);
            }
        }

        return '';
    }

    /** @param array<mixed> $tree */
    private static function depth(array $tree, string $id): string
    {
        foreach (self::all($tree, 'DepthRefs', 'DepthRef') as $ref) {
            if ($id !== '' && self::first($ref, ['DepthID']) === $id) {
                $unit = self::first($ref, ['DepthUnit', 'ColumnDepthUnit']);

                return self::first($ref, ['StartingDepth']).
                    '-'.
                    self::first($ref, ['EndingDepth']).
                    ($unit === '' ? 'in' : mb_strtolower($unit));
            }
        }

        return '';
    }

    private static function holds(mixed $tree, string $name): bool
    {
        return is_array($tree) && isset($tree[$name]);
    }
}
