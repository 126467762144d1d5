package mailshelf.core.data;

/**
 * A rule on who may see which rows of a data set: those whose value in a column is given to him, or to a group of his,
 * by a line of a mapping table. Whom no line gives anything sees no row.
 *
 * @param column the text column that it rules
 * @param mapping the data set that is the mapping table
 * @param who its column of people's addresses and groups' names
 * @param values its column of values, one a line; {@link Mapping#ALL} gives all
 */
public record RowRule(String column, DataSetId mapping, String who, String values) {}
