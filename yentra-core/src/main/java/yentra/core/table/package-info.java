/** Spreadsheets (XLSX) and CSV files as rows of text, with limits and the place of every fault. */
package yentra.core.table;
