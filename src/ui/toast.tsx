export { toast, Toaster } from "sonner";
