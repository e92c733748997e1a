<?php

declare(strict_types=1);

namespace Tests\Support;

/** A workbook of one sheet as spreadsheet programs write it (ECMA-376), with texts in place and numbers as numbers. */
final class Workbook
{
    /** @param list<list<string|float|int>> $rows */
    public static function write(string $file, array $rows): void
    {
        $sheet = '';
        foreach ($rows as $r => $row) {
            $cells = '';
            foreach ($row as $c => $value) {
                $at = chr(65 + $c).($r + 1);
                $cells .= is_string($value) ? "<c r=\"{$at}\" t=\"inlineStr\"><is><t>".htmlspecialchars($value, ENT_XML1).'</t></is></c>' : "<c r=\"{$at}\"><v>{$value}</v></c>";
            }
            $sheet .= '<row r="'.($r + 1)."\">{$cells}</row>";
        }
        $head = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>';
        $main = 'xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"';
        $relations = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
        $zip = new \ZipArchive;
        $zip->open($file, \ZipArchive::CREATE | \ZipArchive::OVERWRITE);
        $zip->addFromString('[Content_Types].xml', "{$head}<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\"><Default Extension=\"rels\" ContentType=\"application/vnd.openxmlformats-package.relationships+xml\"/><Default Extension=\"xml\" ContentType=\"application/xml\"/><Override PartName=\"/xl/workbook.xml\" ContentType=\"application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml\"/><Override PartName=\"/xl/worksheets/sheet1.xml\" ContentType=\"application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml\"/></Types>");
        $zip->addFromString('_rels/.rels', "{$head}<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\"><Relationship Id=\"rId1\" Type=\"{$relations}/officeDocument\" Target=\"xl/workbook.xml\"/></Relationships>");
        $zip->addFromString('xl/workbook.xml', "{$head}<workbook {$main} xmlns:r=\"{$relations}\"><sheets><sheet name=\"Results\" sheetId=\"1\" r:id=\"rId1\"/></sheets></workbook>");
        $zip->addFromString('xl/_rels/workbook.xml.rels', "{$head}<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\"><Relationship Id=\"rId1\" Type=\"{$relations}/worksheet\" Target=\"worksheets/sheet1.xml\"/></Relationships>");
        $zip->addFromString('xl/worksheets/sheet1.xml', "{$head}<worksheet {$main}><sheetData>{$sheet}</sheetData></worksheet>");
        $zip->close();
    }
}
