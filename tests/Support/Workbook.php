<?php

declare(strict_types=1);

namespace Tests\Support;

/** A workbook as spreadsheet programs write it (ECMA-376), with texts in place and numbers as numbers. */
final class Workbook
{
    /** @param list<list<string|float|int>> ...$sheets */
    public static function write(string $file, array ...$sheets): void
    {
        $head = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>';
        $main = 'xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"';
        $relations = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
        [$types, $names, $targets] = ['', '', ''];
        $zip = new \ZipArchive();
        $zip->open($file, \ZipArchive::CREATE | \ZipArchive::OVERWRITE);
        foreach (array_values($sheets) as $i => $rows) {
            $n = $i + 1;
            $types .= "<Override PartName=\"/xl/worksheets/sheet{$n}.xml\" ".
                'ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/>';
            $names .= "<sheet name=\"Sheet {$n}\" sheetId=\"{$n}\" r:id=\"rId{$n}\"/>";
            $targets .= "<Relationship Id=\"rId{$n}\" Type=\"{$relations}/worksheet\" Target=\"worksheets/sheet{$n}.xml\"/>";
            $zip->addFromString(
                "xl/worksheets/sheet{$n}.xml",
                "{$head}<worksheet {$main}><sheetData>".self::cells($rows).'</sheetData></worksheet>',
            );
        }
        $package = 'http://schemas.openxmlformats.org/package/2006';
        $zip->addFromString(
            '[Content_Types].xml',
            "{$head}<Types xmlns=\"{$package}/content-types\"><Default Extension=\"rels\" ".
                'ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default '.
                    'Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" '.
                        "ContentType=\"application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml\"/>{$types}</Types>",
        );
        $zip->addFromString(
            '_rels/.rels',
            "{$head}<Relationships xmlns=\"{$package}/relationships\">".
                "<Relationship Id=\"rId1\" Type=\"{$relations}/officeDocument\" Target=\"xl/workbook.xml\"/></Relationships>",
        );
        $zip->addFromString(
            'xl/workbook.xml',
            "{$head}<workbook {$main} xmlns:r=\"{$relations}\"><sheets>{$names}</sheets></workbook>",
        );
        $zip->addFromString(
            'xl/_rels/workbook.xml.rels',
            "{$head}<Relationships xmlns=\"{$package}/relationships\">{$targets}</Relationships>",
        );
        $zip->close();
    }

    /** @param list<list<string|float|int>> $rows */
    private static function cells(array $rows): string
    {
        $sheet = '';
        foreach ($rows as $r => $row) {
            $cells = '';
            foreach ($row as $c => $value) {
                $at = chr(65 + $c).($r + 1);
                $cells .= is_string($value)
                    ? "<c r=\"{$at}\" t=\"inlineStr\"><is><t>".htmlspecialchars($value, ENT_XML1).'</t></is></c>'
                    : "<c r=\"{$at}\"><v>{$value}</v></c>";
            }
            $sheet .= '<row r="'.($r + 1)."\">{$cells}</row>";
        }

        return $sheet;
    }
}
