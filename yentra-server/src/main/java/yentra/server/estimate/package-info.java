/** Weather, design loads and hourly years of deliveries: runs are jobs, results are kept. */
package yentra.server.estimate;
