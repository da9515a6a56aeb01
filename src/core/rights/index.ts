export { permissionTable, roleMay, verdict, type Action } from "./table";
